import { EnvironmentInjector } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { describe, expect, it, vi } from 'vitest';
import { Notice } from '../ui/notice';
import { tellTerms, termOf } from './terms-behind';

describe('the term behind a word', () => {
  it('is found in one or several, with what stands after it', () => {
    expect(termOf('Joint')?.[0]).toBe('joint');
    expect(termOf(' cells, ')?.[0]).toBe('cell');
    expect(termOf('passes')?.[0]).toBe('pass');
    expect(termOf('alzapúa')?.[2]).toContain('pd');
    expect(termOf('')).toBeUndefined();
    expect(termOf('guitar')).toBeUndefined();
  });
  it('is told where it is double-clicked, but never over what the player writes', () => {
    const act = vi.fn();
    TestBed.overrideProvider(Notice, { useValue: { act } });
    tellTerms(TestBed.inject(EnvironmentInjector));
    const text = document.createElement('p');
    text.textContent = 'ceiling';
    const own = document.createElement('p');
    own.dataset['own'] = '';
    own.textContent = 'ceiling';
    document.body.append(text, own);
    for (const [element, times] of [
      [text, 1],
      [own, 1],
    ] as const) {
      getSelection()?.selectAllChildren(element);
      element.dispatchEvent(new MouseEvent('dblclick', { bubbles: true }));
      expect(act).toHaveBeenCalledTimes(times);
    }
    expect(act.mock.calls[0]?.[0]).toMatch(/^ceiling: the highest tempo/);
  });
});
