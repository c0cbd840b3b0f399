import type { EnvironmentInjector } from '@angular/core';
import { Arriving } from '../parts/arriving/arriving';

/** What the system hands to an installed application. */
interface LaunchQueue {
  setConsumer(take: (launch: { readonly files?: readonly FileSystemFileHandle[] }) => void): void;
}
declare global {
  interface Window {
    readonly launchQueue?: LaunchQueue;
  }
}
const hasFiles = (e: DragEvent): boolean => e.dataTransfer?.types.includes('Files') ?? false;

/** Files that are dropped anywhere on the page, and those that the system opens with the installed application. */
export function takeFiles(injector: EnvironmentInjector): void {
  const take = async (files: readonly File[]) => {
    const arriving = injector.get(Arriving);
    // One after another: each may ask something.
    for (const file of files) await arriving.file(file);
  };
  // Before the script's editor, which would take the text of a file for its own.
  const over = (e: DragEvent) => hasFiles(e) && e.preventDefault();
  document.addEventListener('dragover', over, { capture: true });
  const dropped = (e: DragEvent) => {
    if (!hasFiles(e)) return;
    e.preventDefault();
    e.stopPropagation();
    void take([...(e.dataTransfer?.files ?? [])]);
  };
  document.addEventListener('drop', dropped, { capture: true });
  window.launchQueue?.setConsumer(({ files = [] }) => {
    if (files.length) void Promise.all(files.map((f) => f.getFile())).then(take);
  });
}
