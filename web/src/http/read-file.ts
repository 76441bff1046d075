/** A file's bytes as base64, as imports are sent. */
export async function fileAsBase64(file: File): Promise<string> {
  const url = await new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(new Error(`${file.name} cannot be read; is it open in another program?`));
    reader.readAsDataURL(file);
  });
  return url.slice(url.indexOf(",") + 1);
}
