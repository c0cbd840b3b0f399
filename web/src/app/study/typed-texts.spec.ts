import { TestBed } from '@angular/core/testing';
import { addSection, cycleById } from '@ruffle-wheel/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { aWorld, type World } from '../testing/world';
import { Store } from '../data';
import { soon } from '../testing/soon';
import { TypedTexts } from './typed-texts';

let world: World;
beforeEach(async () => {
  world = await aWorld();
  world.open.apply(addSection('other', 'Other', cycleById('vals')!));
});

describe('typed texts', () => {
  it('stay with their field and section, and are there again when the section is', () => {
    const texts = TestBed.inject(TypedTexts);
    const line = texts.of('line');
    line.set('333222');
    expect([line(), texts.of('line')(), texts.of('row')()]).toEqual(['333222', '333222', '']);
    world.open.chooseSection('other');
    // A panel that is on screen while another section is opened follows it.
    expect(line()).toBe('');
    line.set('11');
    world.open.chooseSection('s-a');
    expect(line()).toBe('333222');
    line.set('');
    expect(texts.of('line')()).toBe('');
    world.open.chooseSection('other');
    expect(line()).toBe('11');
  });
  it('are there again in another tab or tomorrow, until they are cleared', async () => {
    const texts = TestBed.inject(TypedTexts);
    texts.of('line').set('333222');
    texts.of('row').set('Am E7');
    texts.of('row').set('');
    await world.collection.settled();
    expect(await TestBed.inject(Store).readTyped()).toHaveLength(1);
    const later = TestBed.runInInjectionContext(() => new TypedTexts());
    const line = later.of('line');
    const row = later.of('row');
    row.set('typed before the tables answered');
    await soon(() => expect(line()).toBe('333222'));
    expect(row()).toBe('typed before the tables answered');
  });
});
