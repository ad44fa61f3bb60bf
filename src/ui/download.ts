/** Hands a text, or a picture, to the browser as a file. */
export function download(name: string, text: string | Blob, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser has taken the content by the next turn; the address is not needed after that.
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}
