import { MatDialogRef } from '@angular/material/dialog';
import { Subject } from 'rxjs';
import { beforeEach, describe, expect, it } from 'vitest';
import { soon } from '../../testing/soon';
import { all, aWorld, press, show, texts, type World } from '../../testing/world';
import { LettersDialog } from './letters-dialog';

let world: World;
let closing: Subject<void>;
beforeEach(async () => {
  closing = new Subject();
  world = await aWorld(undefined, [{ provide: MatDialogRef, useValue: { beforeClosed: () => closing } }]);
});
const row = (f: Awaited<ReturnType<typeof show<LettersDialog>>>, script: string) =>
  all(f, 'tr').find((r) => r.querySelector('code')?.textContent === script)!;

describe('the letters', () => {
  it('each finger has its name, its home string and its stitch', async () => {
    const f = await show(LettersDialog);
    expect(row(f, 'i').textContent).toContain('índice: index plucks its home string 3');
    expect(row(f, 'i').querySelector('path.fingers')).toBeTruthy();
    expect(row(f, 'p').querySelector('path.thumb')).toBeTruthy();
    // Nothing but its own mark gives a stitch the rim of an accent.
    expect(row(f, 'i').querySelector('.accented')).toBeNull();
    expect(row(f, 'i:2!').querySelector('.accented')).toBeTruthy();
    const paths = ['i', 'id', 'iu', '(d)', 'G'].map((s) => row(f, s).querySelector('path')!.getAttribute('d'));
    expect(new Set(paths).size).toBe(5);
  });
  it('the little finger is written as the player writes it', async () => {
    world.collection.saveProfile({ ...world.collection.profile(), littleFinger: 'x' });
    const f = await show(LettersDialog);
    expect(row(f, 'x').textContent).toContain('meñique');
  });
  it('each mark has an example in words that sounds, one at a time, until the key is closed', async () => {
    const f = await show(LettersDialog);
    expect(row(f, 'i:2!').textContent).toContain('index plucks string 2, with an accent');
    await press(f, 'Hear i:2!');
    await soon(() => expect(world.transport.lent).toHaveLength(1));
    const sounds = (world.transport.lent[0] as { sounds: { kind: string }[] }).sounds;
    expect(sounds.some((s) => s.kind === 'pluck')).toBe(true);
    await press(f, 'Stop i:2!');
    expect(world.transport.lent.at(-1)).toBeNull();
    closing.next();
    expect(world.transport.lent).toHaveLength(3);
  });
  it('the left fingers 1 to 4 have their letters, and lie on a neck', async () => {
    const f = await show(LettersDialog);
    for (const [n, name] of ['index', 'middle', 'ring', 'little'].entries())
      expect(row(f, `i:3f${n + 1}=${n + 1}`).textContent).toContain(name);
    expect(all(f, 'figure app-neck-drawing')).toHaveLength(2);
    expect(texts(f, 'figcaption')[1]).toContain('finger 1 lies flat');
  });
  it('nothing silent is offered to be heard', async () => {
    const f = await show(LettersDialog);
    const heard = texts(f, 'button').filter((t) => t === 'Hear').length;
    expect(row(f, '.').querySelector('button')).toBeNull();
    expect(row(f, '(d)').querySelector('button')).toBeNull();
    expect(heard).toBeGreaterThan(20);
  });
});
