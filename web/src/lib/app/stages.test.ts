import { describe, expect, it } from 'vitest';
import app from '../../App.svelte?raw';
import { STAGES, stageAt } from './stages';

const ROUTES = [...app.matchAll(/^\s+'(\/[^']*)': wrap/gm)].map((m) => m[1]!);
const OF_NO_STAGE = ['/begin', '/method/:section?', '/settings'];

describe('the path of the work', () => {
  it('has a stage for every page but those of none', () => {
    expect(ROUTES.length).toBeGreaterThan(40);
    expect(ROUTES.filter((route) => stageAt(route) < 0)).toEqual(OF_NO_STAGE);
  });

  it('gives a page to one stage only', () => {
    for (const route of ROUTES)
      expect([route, STAGES.filter((s) => s.at.test(route)).length]).toEqual([
        route,
        OF_NO_STAGE.includes(route) ? 0 : 1
      ]);
  });

  it('leads where it says', () => {
    STAGES.forEach((stage, n) => expect(stageAt(stage.href.slice(1))).toBe(n));
  });
});
