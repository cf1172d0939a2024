/** Hands a file to the device. */
export function save(file: Blob, name: string) {
  const address = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The download has begun; the address is needed a moment longer.
  setTimeout(() => URL.revokeObjectURL(address), 60_000);
}
