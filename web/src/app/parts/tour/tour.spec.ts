import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { setScript, setTempo } from '@ruffle-wheel/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { Transport } from '../../sound/transport';
import { aWorld, type SilentTransport, type World } from '../../testing/world';
import { Tour } from './tour';

let world: World;
let tour: Tour;
let transport: SilentTransport;
const step = () => {
  TestBed.tick();
  return tour.step()?.id ?? null;
};
beforeEach(async () => {
  world = await aWorld();
  transport = TestBed.inject(Transport) as unknown as SilentTransport;
  tour = TestBed.inject(Tour);
  // Places are not fetched here: the tour asks for the Wheel, and goes on by what is done.
  TestBed.inject(Router).navigateByUrl = () => Promise.resolve(true);
  await tour.begin();
});

describe('the tour', () => {
  it('goes on by what is done, counting in included, and not by anything else', () => {
    expect(step()).toBe('play');
    world.open.apply(setScript('s-a', 'p i'));
    expect(step()).toBe('play');
    transport.state.set('playing');
    expect(step()).toBe('faster');
    world.open.adjust(setTempo('s-a', (world.open.section()?.bpm ?? 0) - 5));
    expect(step()).toBe('faster');
    world.open.adjust(setTempo('s-a', (world.open.section()?.bpm ?? 0) + 10));
    expect(step()).toBe('finger');
  });
  it('a finger is taken back when the script is as before, not when it is a third', () => {
    transport.state.set('playing');
    step();
    tour.next();
    expect(step()).toBe('finger');
    const before = world.open.section()?.script ?? '';
    world.open.apply(setScript('s-a', 'm m'));
    expect(step()).toBe('undo');
    world.open.apply(setScript('s-a', 'a a'));
    expect(step()).toBe('undo');
    world.open.apply(setScript('s-a', before));
    expect(step()).toBe('neck');
  });
  it('ends at once, or behind its last step; what is pressed then begins nothing', () => {
    tour.end();
    expect([step(), tour.ended()]).toEqual([null, true]);
    tour.next();
    expect(step()).toBeNull();
  });
});
