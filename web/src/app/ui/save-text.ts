/** Hands a text to the browser as a file to keep. The name loses what file systems refuse. */
export function saveText(text: string, name: string) {
  const url = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = `${name.replace(/[^\p{L}\p{N} _-]+/gu, '').trim() || 'study'}.ruffle.json`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
