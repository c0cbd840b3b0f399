/** Hands a file to the browser to keep. The name loses what file systems refuse. */
export function saveFile(file: Blob, name: string, ending = 'ruffle.json') {
  const url = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = url;
  link.download = `${name.replace(/[^\p{L}\p{N} _-]+/gu, '').trim() || 'study'}.${ending}`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
