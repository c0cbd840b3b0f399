import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { ANSWERED } from '../keys/answered';
import { soon } from '../testing/soon';
import { Dialogs } from './dialogs';

@Component({ template: 'asked', changeDetection: ChangeDetectionStrategy.OnPush })
class Asked {}

describe('dialogs', () => {
  it('are marked as answered at once, before they are gone; while one is open it is known', async () => {
    const dialogs = TestBed.inject(Dialogs);
    expect(await dialogs.isAnyOpen()).toBe(false);
    const shown = await dialogs.open(() => Promise.resolve(Asked), {});
    await soon(() => expect(document.getElementById(shown.id)?.textContent ?? '').toContain('asked'));
    const drawn = document.getElementById(shown.id);
    expect([drawn?.hasAttribute(ANSWERED), await dialogs.isAnyOpen()]).toEqual([false, true]);
    shown.close();
    expect(drawn?.hasAttribute(ANSWERED)).toBe(true);
  });
});
