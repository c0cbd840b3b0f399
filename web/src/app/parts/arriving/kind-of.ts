/** What a file from outside holds. */
export type FileKind = 'shelf' | 'table' | 'score';

/** So much of a file shows what it is. */
const SEEN = 512;
const MIDI = 'MThd';
const ZIP = 'PK\u0003\u0004';

/**
 * Told apart by what stands at the beginning: studies and shelves are JSON, a log is a table with its columns named,
 * scores have their own signs. The name is asked only of a table without the columns of a log.
 */
export async function kindOf(file: Blob, name = ''): Promise<FileKind> {
  const begin = new TextDecoder('latin1').decode(await file.slice(0, SEEN).arrayBuffer());
  if (begin.startsWith(MIDI) || begin.startsWith(ZIP)) return 'score';
  // A mark of the byte order is three letters here.
  const text = begin.replace(/^(?:ï»¿)?\s*/, '');
  if (text.startsWith('<')) return 'score';
  const [line = ''] = text.split(/\r?\n/, 1);
  if (/(?:^|[,;"])started(?:$|[,;"])/i.test(line) || /\.csv$/i.test(name)) return 'table';
  return /^[A-Ga-g]?[#b]?\s*\|[-\d|]/m.test(text) ? 'score' : 'shelf';
}
