import { expect, test } from '@playwright/test';
import { chooseBars } from '../src/core/frame/chooseBars';
import { cutTimber } from '../src/core/frame/sawing/cutTimber';
import { fitQuadrilateral } from '../src/core/frame/square/quadrilateral';
import { NO_GAPS } from '../src/core/frame/square/readings';
import { DEFAULT_RULES } from '../src/core/house/houseRules';
import { newInputs } from '../src/core/job/job';
import { clothLoad } from '../src/core/tension/clothLoad';
import { length } from '../src/core/units/length';

/** Median and 95th percentile of so many runs, ms, after as many to warm up. */
function timed(runs: number, act: (run: number) => unknown): { median: number; p95: number } {
  for (let run = 0; run < runs; run += 1) act(run);
  const times = Array.from({ length: runs }, (_, run) => {
    const from = performance.now();
    act(run);
    return performance.now() - from;
  }).sort((a, b) => a - b);
  return { median: times[Math.floor(runs / 2)]!, p95: times[Math.floor(runs * 0.95)]! };
}

const share = ({ median, p95 }: { median: number; p95: number }, budgetMs: number) =>
  `median ${(median / budgetMs).toFixed(2)}, p95 ${(p95 / budgetMs).toFixed(2)} of ${budgetMs} ms`;

test('the frame: all make-ups of a job, a proven buying plan, a fit of the readings', () => {
  const inputs = newInputs('Bench', length(1280), length(840));
  const load = clothLoad(inputs, DEFAULT_RULES);
  const size = (run: number) => ({ widthMm: 1200 + (run % 97), heightMm: 800 });
  const made = chooseBars(size(0), inputs.bars, load, DEFAULT_RULES);
  const worked = chooseBars(size(0), { ...inputs.bars, joint: 'mitreGlued' }, load, DEFAULT_RULES);
  expect(made.length).toBeGreaterThan(30);
  console.log(
    `\nall ${made.length} make-ups, slotted:       ${share(
      timed(40, (run) => chooseBars(size(run), inputs.bars, load, DEFAULT_RULES)),
      50,
    )}`,
  );
  console.log(
    `all ${worked.length} make-ups, glued mitre:   ${share(
      timed(40, (run) => chooseBars(size(run), { ...inputs.bars, joint: 'mitreGlued' }, load, DEFAULT_RULES)),
      50,
    )}`,
  );

  const stocks = [2100, 2700, 3900].map((mm) => ({
    id: `${mm}`,
    lengthMm: mm,
    priceMinor: Math.round(mm * 0.4),
    available: null,
  }));
  const offcuts = [655, 930, 1240].map((mm) => ({ id: `r${mm}`, lengthMm: mm, priceMinor: 0, available: 1 }));
  const parts = (count: number, run: number) =>
    Array.from({ length: count }, (_, index) => ({ label: `${index}`, lengthMm: 350 + ((index * 173 + run * 31) % 850) }));
  for (const count of [8, 12, 16]) {
    const plan = cutTimber(parts(count, 0), [...stocks, ...offcuts], 3, () => 0.5);
    expect(plan).toMatchObject({ proven: true });
    console.log(
      `${String(count).padStart(2)} unlike parts, three offcuts:  ${share(
        timed(12, (run) => cutTimber(parts(count, run), [...stocks, ...offcuts], 3, () => 0.5)),
        100,
      )}, proven`,
    );
  }
  const gaps = [24, 40].map((count) => {
    const plan = cutTimber(parts(count, 1), stocks, 3, () => 0.37);
    return plan.kind === 'plan' ? `${count} parts ${((100 * plan.priceMinor) / plan.lowestPriceMinor - 100).toFixed(1)} %` : '';
  });
  console.log(`best effort above its bound: ${gaps.join(', ')}`);

  const known = { tapeMm: 0.5, pairMm: 0.5, nominalMm: 1, gapMm: 0.2, bladeMm: 300 };
  const nominal = { widthMm: 900, heightMm: 600 };
  const read = (run: number) => ({ top: 900, right: 600, bottom: 900.5, left: 600, down: 1082 + (run % 5), up: 1081 });
  console.log(
    `six readings fitted:           ${share(
      timed(200, (run) => fitQuadrilateral(read(run), NO_GAPS, nominal, known)),
      16.7,
    )}`,
  );
});
