const LONGEST = 1600;

/** The picture of a file as base64 of a JPEG of at most 1600 pixels; drawing it anew leaves the camera's notes behind. */
export async function smaller(file: File): Promise<string> {
  const image = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, LONGEST / Math.max(image.width, image.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(image.width * scale));
  canvas.height = Math.max(1, Math.round(image.height * scale));
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  image.close();
  return canvas.toDataURL('image/jpeg', 0.82).split(',')[1]!;
}

const PATIENCE_MS = 4_000;

/** The device's position; nothing where it does not tell, or not soon enough: the picture does not wait for it. */
export const whereOneStands = (): Promise<{ latitude?: number; longitude?: number }> =>
  new Promise((found) => {
    if (!('geolocation' in navigator)) return found({});
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => found({ latitude: coords.latitude, longitude: coords.longitude }),
      () => found({}),
      { timeout: PATIENCE_MS, maximumAge: 60_000, enableHighAccuracy: true },
    );
  });
