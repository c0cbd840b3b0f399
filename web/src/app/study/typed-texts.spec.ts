import { TestBed } from '@angular/core/testing';
import { addSection, cycleById } from '@ruffle-wheel/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { aWorld, type World } from '../testing/world';
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
});
