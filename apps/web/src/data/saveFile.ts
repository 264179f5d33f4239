/** Gives a file to whoever pressed for it. */
export function saveFile(file: Blob, name: string): void {
  const address = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // the browser reads it after the press
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
