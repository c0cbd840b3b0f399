import { all, aWorld, button, choose, field, press, show, texts, type, type World } from '../../testing/world';
import { Cells } from './cells';
import { soon } from '../../testing/soon';

let world: World;
beforeEach(async () => {
  world = await aWorld();
  world.collection.saveCell({
    id: 'own',
    name: 'Ticket',
    script: 'pd pu G',
    stepsPerCount: 3,
    family: 'flamenco',
    note: '',
  });
});

describe('cells', () => {
  it('stand by family, the open section’s unfolded, each drawn under its counts; own ones are named so', async () => {
    const f = await show(Cells);
    expect(texts(f, 'summary').map((t) => t.replace(/\d+/, '').trim())).toEqual([
      'flamenco',
      'tango',
      'bossa nova',
      'plain',
    ]);
    expect(all(f, 'details').map((d) => (d as HTMLDetailsElement).open)).toEqual([true, false, false, false]);
    const ticket = all(f, 'li').find((li) => li.textContent?.includes('Ticket'))!;
    expect(ticket.textContent).toMatch(/yours/);
    expect([...ticket.querySelectorAll('app-strip .cell')].map((c) => c.textContent)).toEqual(['pd', 'pu', 'G']);
  });
  it('one is heard without being kept, and taken into the open section as one step of undo', async () => {
    const f = await show(Cells);
    await press(f, 'Show and hear: Ticket');
    expect(world.open.section()).toMatchObject({ script: 'pd pu G', stepsPerCount: 3 });
    await press(f, 'Back to what is written: Ticket');
    expect(world.open.section()?.script).toBe('ed ad md id iu');
    await press(f, 'Take over: Ticket');
    expect(world.open.study()?.sections[0]?.script).toBe('pd pu G');
    world.open.undo();
    expect(world.open.study()?.sections[0]?.script).toBe('ed ad md id iu');
  });
  it('a new one is kept without faults only, and each fault is said', async () => {
    const f = await show(Cells);
    await press(f, 'New cell');
    await type(f, field(f, 'Hand script'), 'iid');
    all(f, 'form')[0]!.dispatchEvent(new Event('submit'));
    await soon(() => expect(texts(f, '[role=alert]')).toHaveLength(2));
    expect(texts(f, '[role=alert]').join(' ')).toMatch(/has a name.*One finger stands here twice/);
    await type(f, field(f, 'Name'), 'Wave');
    await type(f, field(f, 'Hand script'), 'md id iu');
    await choose(f, 'Steps to a count', '3');
    all(f, 'form')[0]!.dispatchEvent(new Event('submit'));
    await soon(() => expect(world.collection.ownCells().map((c) => c.name)).toEqual(['Wave', 'Ticket']));
    expect(world.collection.ownCells().find((c) => c.name === 'Wave')).toMatchObject({
      stepsPerCount: 3,
      family: 'flamenco',
    });
  });
  it('an own one is changed, or deleted; shipped ones are left alone', async () => {
    const f = await show(Cells);
    expect(() => button(f, 'Delete Five')).toThrow();
    await press(f, 'Edit Ticket');
    await type(f, field(f, 'Name'), 'Stamp');
    all(f, 'form')[0]!.dispatchEvent(new Event('submit'));
    await soon(() => expect(world.collection.ownCells()[0]?.name).toBe('Stamp'));
    await f.whenStable();
    await press(f, 'Delete Stamp');
    await soon(() => expect(world.collection.ownCells()).toEqual([]));
  });
});
