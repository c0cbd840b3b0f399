import { TestBed } from '@angular/core/testing';
import { cycleById, makeStudy, setScript } from '@ruffle-wheel/core';
import { writeStudy } from '@ruffle-wheel/core/format';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { aWorld, type World } from '../../testing/world';
import { Notice } from '../../ui/notice';
import { type Question, Questions } from '../../ui/question';
import { ScoreFiles } from '../files/score-files';
import { Arriving } from './arriving';
import { kindOf } from './kind-of';
import { fileOfLink, linkOf } from './link';
import { LONGEST_LINK } from './link-bounds';

const study = setScript('t-a', 'p i m a')(makeStudy('t', 'From afar', cycleById('tangos')));
const file = new Blob([writeStudy(study)], { type: 'application/json' });
const hashOf = (link: string | number) => String(link).replace(/^[^#]*/, '');

describe('a study as a link', () => {
  it('stands in the end of the address alone, and is the same study again', async () => {
    const link = await linkOf(file, 'https://here.test');
    expect(link).toMatch(/^https:\/\/here\.test\/#study=[\w-]+$/);
    expect(JSON.parse(await (await fileOfLink(hashOf(link))).text())).toEqual(JSON.parse(await file.text()));
  });
  it('that would be too long says how long', async () => {
    const noise = crypto.getRandomValues(new Uint8Array(9_000)).join('');
    expect(await linkOf(new Blob([JSON.stringify({ noise })]), 'https://here.test')).toBeGreaterThan(LONGEST_LINK);
  });
  it.each(['#study=', '#study=%%%', `#study=${'A'.repeat(9_000)}`, '#other'])('%.12s is none', (hash) =>
    expect(fileOfLink(hash)).rejects.toThrow(),
  );
});

describe('what a file holds', () => {
  it.each([
    ['{"format":1}', 'shelf'],
    ['\n [1]', 'shelf'],
    ['Dear diary, I have started', 'shelf'],
    ['session,started,minutes\n1,2,3', 'table'],
    ['a;"Started";b', 'table'],
    ['<?xml version="1.0"?><score-partwise/>', 'score'],
    ['PK\u0003\u0004zip', 'score'],
    ['MThd\0\0', 'score'],
    ['e|--0--1--|\nB|--1--1--|', 'score'],
  ])('%j: %s', async (text, kind) => expect(await kindOf(new Blob([text]))).toBe(kind));
  it('a table without the columns of a log by its name, to be told what it lacks', async () => {
    expect(await kindOf(new Blob(['a,b']), 'log.CSV')).toBe('table');
    expect(await kindOf(new Blob(['{}']), 'log.json')).toBe('shelf');
  });
});

describe('what comes from outside', () => {
  let world: World;
  let asked: Question<unknown>[];
  let answer: unknown;
  beforeEach(async () => {
    asked = [];
    answer = true;
    const ask = (q: Question<unknown>) => {
      asked.push(q);
      return Promise.resolve(answer);
    };
    world = await aWorld(undefined, [{ provide: Questions, useValue: { ask } }]);
    await world.collection.settled();
  });
  it('a link is looked at first: what it holds is said, and it is taken only where one wants it', async () => {
    const arriving = TestBed.inject(Arriving);
    const hash = hashOf(await linkOf(file, 'https://here.test'));
    answer = null;
    await arriving.link(hash);
    expect(asked[0]).toMatchObject({ list: [expect.stringMatching(/^A: Tangos, \d+ a minute$/)] });
    expect(asked[0]?.text).toContain('From afar');
    expect(world.open.study()?.name).toBe('Study');
    answer = true;
    await arriving.link(hash);
    expect(world.open.study()?.name).toBe('From afar');
    // Once it is here nothing is asked.
    await arriving.link(hash);
    expect(asked).toHaveLength(2);
  });
  it('a link that was cut is refused in words', async () => {
    const said = vi.spyOn(TestBed.inject(Notice), 'say').mockReturnValue();
    await TestBed.inject(Arriving).link(hashOf(await linkOf(file, '')).slice(0, -9));
    expect(said.mock.calls[0]?.[0]).toMatch(/cut or changed/);
    expect(asked).toEqual([]);
  });
  it('a score by any name goes to its dialog', async () => {
    const look = vi.spyOn(TestBed.inject(ScoreFiles), 'look').mockResolvedValue();
    await TestBed.inject(Arriving).file(new File(['<score-partwise/>'], 'piece.dat'));
    expect(look).toHaveBeenCalledOnce();
  });
});
