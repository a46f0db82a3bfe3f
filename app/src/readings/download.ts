/** Fetches a file of the server's into the device's downloads. */
export function download(path: string, name: string): void {
  const link = document.createElement('a');
  link.href = path;
  link.download = name;
  link.click();
}
