import { expect, it } from 'vitest';
import { againstAim, aimJudged } from './againstAim';

it('a tension is good only where it is known: not slack by half, nor half too hard, by what it may be off', () => {
  for (const aimed of [100, 250, 400])
    for (let nPerM = 0; nPerM <= 900; nPerM += 15)
      for (const sd of [0, 5, 30, 60, 120, 300]) {
        const { level, doThis } = aimJudged(nPerM, sd, aimed);
        const stands = againstAim(nPerM, sd, aimed);
        expect(level === 'good').toBe(stands === 'near');
        if (stands === 'near') expect(2 * sd).toBeLessThanOrEqual(0.5 * aimed);
        if (stands === 'below') expect(nPerM + 2 * sd).toBeLessThan(aimed);
        if (stands === 'above') expect(nPerM - 2 * sd).toBeGreaterThan(aimed);
        expect(doThis).toMatch({ near: /^$/, below: /^Looser/, above: /^Tighter/, untold: /measure again/ }[stands]);
      }
  // 600 ± 200 N/m where 250 is aimed at, and 245 ± 150: neither says that all is well.
  expect([againstAim(600, 200, 250), againstAim(245, 150, 250)]).toEqual(['untold', 'untold']);
});
