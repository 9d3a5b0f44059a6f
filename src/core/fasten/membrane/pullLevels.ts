/*
 * Pulls that a hand can hold: a few levels on a grid of newtons, each place at one of them. The expected unevenness of a list of
 * pulls is scale-free, `√(pᵀ V p) / (μᵀ p)`, V the scatter of the influence with hand noise on its diagonal, μ its mean; from the
 * best pulls, rounded, one place or one level at a time is moved while that gets less (a local search: no proof that none is better).
 */
import { type PullBounds, addSquare } from './bestPulls';
import type { Influence } from './influence';

/** From here on a hand tells steps of 5 N, below of 2 N. */
const COARSE_FROM_N = 25;

/**
 * The newtons that levels stand at, ascending.
 *
 * @example pullGrid(2, 36) // [2, 4, 6, 8, 10, 12, 14, 16, 18, 20, 22, 24, 25, 30, 35]
 */
export function pullGrid(leastN: number, mostN: number): number[] {
  const fine = Array.from({ length: Math.ceil(COARSE_FROM_N / 2) }, (_, index) => 2 * index).filter(
    (value) => value < COARSE_FROM_N,
  );
  const coarse = Array.from({ length: Math.floor(mostN / 5) + 1 }, (_, index) => 5 * index).filter(
    (value) => value >= COARSE_FROM_N,
  );
  return [...fine, ...coarse].filter((value) => value >= Math.max(leastN, 1e-9) && value <= mostN);
}

export interface LevelledPulls {
  /** Newtons of the levels that are used, ascending. */
  levelsN: number[];
  /** The pull of each column, N: one of the levels, or 0 where it is laid on. */
  pullsN: Float64Array;
}

/** The mean may move by so much of what the best pulls give. */
const MEAN_WITHIN = 0.1;
/** Rounds over all places and levels. */
const MOST_ROUNDS = 60;
/** Less of the square of unevenness, as a part, is no gain. */
const LEAST_GAIN = 1e-6;

/** `Σ` over the cloths of the scatter and the mean of the influence, columns by columns. */
function scatterOf(cloths: readonly Influence[], noise: number): { scatter: Float64Array; mean: Float64Array } {
  const columns = cloths[0]!.events.length;
  const [scatter, mean] = [new Float64Array(columns * columns), new Float64Array(columns)];
  for (const { rows, nPerMPerN } of cloths) {
    const own = new Float64Array(columns);
    for (let row = 0; row < rows.length; row += 1)
      for (let column = 0; column < columns; column += 1) own[column]! += nPerMPerN[row * columns + column]! / rows.length;
    for (let row = 0; row < rows.length; row += 1)
      for (let one = 0; one < columns; one += 1) {
        const value = (nPerMPerN[row * columns + one]! - own[one]!) / rows.length;
        if (value === 0) continue;
        for (let other = 0; other < columns; other += 1)
          scatter[one * columns + other]! += value * (nPerMPerN[row * columns + other]! - own[other]!);
      }
    for (let column = 0; column < columns; column += 1) mean[column]! += own[column]! / cloths.length;
  }
  for (let column = 0; column < columns; column += 1) scatter[column * columns + column]! *= 1 + noise * noise;
  return { scatter, mean };
}

/** A list of pulls with what its unevenness comes to, kept up to date while one pull after the other is moved. */
class Trial {
  private square: number;
  private mean: number;
  private readonly through: Float64Array;

  constructor(
    readonly pulls: Float64Array,
    private readonly scatter: Float64Array,
    private readonly means: Float64Array,
    private readonly meanRange: readonly [least: number, most: number],
  ) {
    const columns = pulls.length;
    this.through = new Float64Array(columns);
    for (let one = 0; one < columns; one += 1)
      for (let other = 0; other < columns; other += 1) this.through[one]! += scatter[one * columns + other]! * pulls[other]!;
    this.square = pulls.reduce((sum, pull, one) => sum + pull * this.through[one]!, 0);
    this.mean = pulls.reduce((sum, pull, one) => sum + pull * means[one]!, 0);
  }

  get value(): number {
    return this.square / this.mean ** 2;
  }

  private within(mean: number): boolean {
    return mean >= this.meanRange[0] && mean <= this.meanRange[1];
  }

  /** The value if one pull went to another; infinite where the mean leaves its range. */
  valueIf(column: number, pullN: number): number {
    const by = pullN - this.pulls[column]!;
    const mean = this.mean + by * this.means[column]!;
    if (!this.within(mean)) return Infinity;
    const square = this.square + 2 * by * this.through[column]! + by * by * this.scatter[column * this.pulls.length + column]!;
    return square / mean ** 2;
  }

  move(column: number, pullN: number): void {
    const by = pullN - this.pulls[column]!;
    const columns = this.pulls.length;
    this.square += 2 * by * this.through[column]! + by * by * this.scatter[column * columns + column]!;
    this.mean += by * this.means[column]!;
    for (let one = 0; one < columns; one += 1) this.through[one]! += by * this.scatter[one * columns + column]!;
    this.pulls[column] = pullN;
  }

  /** Moves several at once, and back again unless it is worth it. */
  tryMoving(members: readonly number[], pullN: number): boolean {
    const before = this.value;
    const was = members.map((column) => this.pulls[column]!);
    for (const column of members) this.move(column, pullN);
    if (this.within(this.mean) && this.value < before * (1 - LEAST_GAIN)) return true;
    members.forEach((column, index) => this.move(column, was[index]!));
    return false;
  }
}

/** What a search of pulls on the grid stands on: the grid, the best pulls, and trials whose mean stays near that of the best. */
function gridSearch(
  cloths: readonly Influence[],
  bestN: ArrayLike<number>,
  { leastN, mostN, noise, driftPerMm = 0 }: PullBounds,
) {
  if (cloths.length === 0) throw new RangeError('pulls are worked out for one cloth at least');
  const grid = pullGrid(leastN, mostN);
  if (grid.length === 0) throw new RangeError(`no pull lies between ${leastN} and ${mostN} N`);
  const { scatter, mean } = scatterOf(cloths, noise);
  const best = Float64Array.from(bestN);
  const aimed = best.reduce((sum, pull, column) => sum + pull * mean[column]!, 0);
  for (const { middleMmPerN } of cloths)
    for (const drawn of middleMmPerN ?? []) addSquare(scatter, drawn, (driftPerMm * aimed) ** 2, noise);
  const range = [aimed * (1 - MEAN_WITHIN), aimed * (1 + MEAN_WITHIN)] as const;
  return { grid, best, trialOf: (pulls: Float64Array) => new Trial(pulls, scatter, mean, range) };
}

/**
 * Pulls in a few levels that come as near to the best ones as a search finds; yields between pieces of work.
 *
 * @param cloths the same order on several guesses of the cloth
 * @param bestN the best pulls, one for each column; what is laid on is 0
 * @param most how many levels, 1 or more
 * @throws RangeError for no level, no cloth or no newton between the bounds
 */
export function* pullLevels(
  cloths: readonly Influence[],
  bestN: ArrayLike<number>,
  bounds: PullBounds,
  most: number,
): Generator<undefined, LevelledPulls> {
  if (!(most >= 1)) throw new RangeError(`at least one level is needed, got ${most}`);
  const { grid, best, trialOf } = gridSearch(cloths, bestN, bounds);
  const free = [...best.keys()].filter((column) => best[column]! > 0);
  if (free.length === 0) return { levelsN: [], pullsN: best };
  let levels = firstLevels(
    free.map((column) => best[column]!),
    grid,
    most,
  );
  const trial = trialOf(best.map((pull) => (pull > 0 ? nearest(levels, pull) : 0)));
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    let better = false;
    for (const column of free) {
      const now = trial.value;
      const [to] = levels
        .map((level) => [level, trial.valueIf(column, level)] as const)
        .reduce((a, b) => (b[1] < a[1] ? b : a), [trial.pulls[column]!, now * (1 - LEAST_GAIN)] as const);
      if (to !== trial.pulls[column]) {
        trial.move(column, to);
        better = true;
      }
    }
    for (const level of levels)
      for (const step of [-1, 1]) {
        const to = grid[grid.indexOf(level) + step];
        const members = free.filter((column) => trial.pulls[column] === level);
        if (to === undefined || levels.includes(to) || members.length === 0 || !trial.tryMoving(members, to)) continue;
        levels = levels.map((one) => (one === level ? to : one));
        better = true;
        break;
      }
    if (!better) break;
    yield;
  }
  const used = [...new Set(free.map((column) => trial.pulls[column]!))].sort((a, b) => a - b);
  return { levelsN: used, pullsN: trial.pulls };
}

/**
 * Pulls of which whole groups are alike, each on the grid of newtons: a list short enough to keep in the head.
 *
 * @param cloths the same order on several guesses of the cloth
 * @param bestN the best pulls, one for each column; what is laid on is 0
 * @param groups the group of each column
 * @throws RangeError for no cloth or no newton between the bounds
 */
export function groupedPulls(
  cloths: readonly Influence[],
  bestN: ArrayLike<number>,
  bounds: PullBounds,
  groups: readonly number[],
): Float64Array {
  const { grid, best, trialOf } = gridSearch(cloths, bestN, bounds);
  const members = [...new Set(groups)]
    .map((group) => [...best.keys()].filter((column) => groups[column] === group && best[column]! > 0))
    .filter((columns) => columns.length > 0);
  const pulls = new Float64Array(best.length);
  for (const columns of members) {
    const usual = nearest(grid, columns.reduce((sum, column) => sum + best[column]!, 0) / columns.length);
    for (const column of columns) pulls[column] = usual;
  }
  const trial = trialOf(pulls);
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const moved = members.filter((columns) =>
      [-1, 1].some((step) => {
        const to = grid[grid.indexOf(trial.pulls[columns[0]!]!) + step];
        return to !== undefined && trial.tryMoving(columns, to);
      }),
    );
    if (moved.length === 0) break;
  }
  return trial.pulls;
}

const nearest = (values: readonly number[], to: number): number =>
  values.reduce((a, b) => (Math.abs(b - to) < Math.abs(a - to) ? b : a));

/** Levels where pulls crowd: the values parted so that each is near its level (Lloyd), then set on the grid. */
function firstLevels(pulls: readonly number[], grid: readonly number[], most: number): number[] {
  const sorted = [...pulls].sort((a, b) => a - b);
  let centres = Array.from({ length: most }, (_, index) => sorted[Math.floor(((index + 0.5) * sorted.length) / most)]!);
  for (let turn = 0; turn < 30; turn += 1) {
    const groups = centres.map((centre) => sorted.filter((pull) => nearest(centres, pull) === centre));
    centres = centres.map((centre, index) =>
      groups[index]!.length === 0 ? centre : groups[index]!.reduce((sum, pull) => sum + pull, 0) / groups[index]!.length,
    );
  }
  return [...new Set(centres.map((centre) => nearest(grid, centre)))];
}
