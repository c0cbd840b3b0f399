/** What the browser is given to keep. */
export function watchSaved(): { name: string; blob: Blob }[] {
  const saved: { name: string; blob: Blob }[] = [];
  const made: Blob[] = [];
  vi.spyOn(URL, 'createObjectURL').mockImplementation((b) => {
    made.push(b as Blob);
    return 'blob:x';
  });
  vi.spyOn(URL, 'revokeObjectURL').mockReturnValue();
  vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    saved.push({ name: this.download, blob: made.at(-1)! });
  });
  return saved;
}
