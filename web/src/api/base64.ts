/** The bytes of a file in base64, without the head of a data address. */
export function asBase64(file: File): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve((reader.result as string).replace(/^data:[^,]*,/, ''));
    reader.onerror = () => reject(new Error(`${file.name} cannot be read from this device.`));
    reader.readAsDataURL(file);
  });
}
