import { ChangeDetectionStrategy, Component } from '@angular/core';
import { all, key, show } from '../testing/world';
import { RovingGroup, RovingItem } from './roving';

@Component({
  selector: 'app-row-of-buttons',
  imports: [RovingGroup, RovingItem],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div appRoving="across">
      @for (n of [1, 2, 3]; track n) {
        <button type="button" appRovingItem>{{ n }}</button>
      }
    </div>
    <div appRoving="down">
      <button type="button" appRovingItem>a</button><button type="button" appRovingItem>b</button>
    </div>`,
})
class RowOfButtons {}

describe('many buttons as one stop for Tab', () => {
  const row = async () => {
    const f = await show(RowOfButtons);
    document.body.append(f.nativeElement as HTMLElement);
    const buttons = all(f, 'button');
    const press = async (name: string, code: number) => {
      const e = key(name);
      Object.defineProperty(e, 'keyCode', { value: code });
      document.activeElement?.dispatchEvent(e);
      await f.whenStable();
    };
    return { f, buttons, press };
  };
  it('only one of them is reached by Tab, and it is the one that was used last', async () => {
    const { f, buttons } = await row();
    expect(buttons.slice(0, 3).map((b) => b.tabIndex)).toEqual([0, -1, -1]);
    buttons[1]!.focus();
    await f.whenStable();
    expect(buttons.slice(0, 3).map((b) => b.tabIndex)).toEqual([-1, 0, -1]);
    f.destroy();
  });
  it('arrows go on and round, Home and End to the ends', async () => {
    const { f, buttons, press } = await row();
    buttons[0]!.focus();
    await press('ArrowRight', 39);
    expect(document.activeElement).toBe(buttons[1]);
    await press('End', 35);
    expect(document.activeElement).toBe(buttons[2]);
    await press('ArrowRight', 39);
    expect(document.activeElement).toBe(buttons[0]);
    f.destroy();
  });
  it('a group that goes down leaves left and right to the place', async () => {
    const { f, buttons, press } = await row();
    buttons[3]!.focus();
    await press('ArrowRight', 39);
    expect(document.activeElement).toBe(buttons[3]);
    await press('ArrowDown', 40);
    expect(document.activeElement).toBe(buttons[4]);
    f.destroy();
  });
});
