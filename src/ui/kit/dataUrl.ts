/** A file as a data URL. @throws TypeError where it cannot be read */
export const dataUrlOf = (file: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(typeof reader.result === 'string' ? reader.result : '');
    reader.onerror = () => reject(new TypeError('the file cannot be read'));
    reader.readAsDataURL(file);
  });

/** What stands at an address, as a data URL; null where there is nothing, or it cannot be fetched. */
export async function dataUrlAt(address: string): Promise<string | null> {
  try {
    const response = await fetch(address);
    return response.ok ? await dataUrlOf(await response.blob()) : null;
  } catch {
    return null;
  }
}
