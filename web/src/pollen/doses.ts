/** Doses that so many male flowers give, as the server will write them down where nobody counts them. */
export const dosesOf = (flowers: number, dosesPerFlower: number): number =>
  flowers === 0 ? 0 : Math.max(1, Math.floor(flowers * dosesPerFlower));
