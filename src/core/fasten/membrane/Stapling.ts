/*
 * Fasteners going in and coming out, one after another. What holds is a set a of places with fixed moves d; the forces
 * are λ = A⁻¹ d, A the compliance between the places that hold plus that of the bars. The inverse is kept and bordered
 * by a fastener that goes in and deflated by one that comes out (Hager, Updating the inverse of a matrix, 1989), so an
 * event costs n². Several hands that follow one order share it and differ in d alone.
 */
import { OUTWARDS, type PlaceCompliance } from './edgePlaces';

/** Above this give the jaw draws the cloth along instead of tightening it, mm/N. */
export const NOTHING_HOLDS_MM_PER_N = 3;
/** A pull that passes what holds by more than this part of its length turns the cloth about it instead of tightening it. */
const PASSES_PART = 0.5;
/** So near to a place it goes through it, mm. */
const THROUGH_MM = 0.01;

/** What a pull met. */
export interface PullMet {
  /** How far the jaw goes for each newton, mm/N. */
  givesMmPerN: number;
  /** Nothing held the other side yet: the place was fastened as it lay. */
  unopposed: boolean;
}

export class Stapling {
  private readonly size: number;
  private readonly inverse: Float64Array;
  /** Moves that the fasteners hold, mm: place by place, x and y, all hands beside each other. */
  private readonly held: Float64Array;
  /** Forces that the fasteners carry, N, laid out as `held`. */
  private readonly carried: Float64Array;
  private readonly holding: boolean[];
  /** Rows and columns of what holds, ascending: all others are 0. */
  private dofs = new Int32Array(0);

  /**
   * @param compliance of all places that will ever hold
   * @param bars how far the bar gives inwards at one place for a unit pull at another, mm/N, n × n; null is a rigid frame
   * @param hands how many pull each at their own force, 1 or more
   */
  constructor(
    private readonly compliance: PlaceCompliance,
    private readonly bars: Float64Array | null,
    private readonly hands = 1,
  ) {
    const count = compliance.places.length;
    this.size = 2 * count;
    this.inverse = new Float64Array(this.size * this.size);
    this.held = new Float64Array(this.size * hands);
    this.carried = new Float64Array(this.size * hands);
    this.holding = compliance.places.map(() => false);
  }

  /** Whether a place holds. */
  holds(place: number): boolean {
    return this.holding[place]!;
  }

  /**
   * Pulls the cloth outwards at a place and fastens it there.
   *
   * @param pullsN of every hand; 0 fastens the cloth as it lies
   * @throws RangeError when the place holds already, or a pull is below 0
   */
  fasten(place: number, pullsN: ArrayLike<number>): PullMet {
    if (this.holding[place]) throw new RangeError(`place ${place} is fastened already: take it out first`);
    const toOthers = this.between(place);
    const { v, through } = this.throughAll(toOthers, this.jawAt(place));
    const met = this.metAt(place, through);
    this.move(place, pullsN, met.unopposed, v);
    this.border(place, toOthers, v);
    this.hold(place, true);
    return met;
  }

  /** Takes a fastener out. @throws RangeError when none is there */
  takeOut(place: number): void {
    if (!this.holding[place]) throw new RangeError(`place ${place} has no fastener to take out`);
    const { size, inverse } = this;
    const at = 2 * place;
    const [a, b, d] = [inverse[at * size + at]!, inverse[at * size + at + 1]!, inverse[(at + 1) * size + at + 1]!];
    const det = a * d - b * b;
    const [ia, ib, id] = [d / det, -b / det, a / det];
    const [q0, q1] = [new Float64Array(size), new Float64Array(size)];
    for (let row = 0; row < size; row += 1) {
      q0[row] = inverse[row * size + at]!;
      q1[row] = inverse[row * size + at + 1]!;
    }
    const { hands, carried } = this;
    for (const row of this.dofs) {
      const [r0, r1] = [q0[row]! * ia + q1[row]! * ib, q0[row]! * ib + q1[row]! * id];
      if (row >> 1 !== place)
        for (let hand = 0; hand < hands; hand += 1)
          carried[row * hands + hand]! -= r0 * carried[at * hands + hand]! + r1 * carried[(at + 1) * hands + hand]!;
      for (const column of this.dofs) inverse[row * size + column]! -= r0 * q0[column]! + r1 * q1[column]!;
    }
    for (const dof of [at, at + 1]) {
      inverse.fill(0, dof * size, (dof + 1) * size);
      for (let row = 0; row < size; row += 1) inverse[row * size + dof] = 0;
      this.held.fill(0, dof * hands, (dof + 1) * hands);
      carried.fill(0, dof * hands, (dof + 1) * hands);
    }
    this.hold(place, false);
  }

  /** Fastens a place at moves known before, mm, the same for every hand. */
  fastenAt(place: number, [x, y]: readonly [number, number]): void {
    if (this.holding[place]) throw new RangeError(`place ${place} is fastened already: take it out first`);
    const toOthers = this.between(place);
    this.held.fill(x, 2 * place * this.hands, (2 * place + 1) * this.hands);
    this.held.fill(y, (2 * place + 1) * this.hands, (2 * place + 2) * this.hands);
    this.border(place, toOthers, this.throughAll(toOthers, new Float64Array(this.size)).v);
    this.hold(place, true);
  }

  private hold(place: number, holds: boolean): void {
    this.holding[place] = holds;
    this.dofs = Int32Array.from(this.holding.flatMap((one, at) => (one ? [2 * at, 2 * at + 1] : [])));
  }

  /** What a pull at a place would meet now. */
  meets(place: number): PullMet {
    return this.metAt(place, this.times(this.jawAt(place)));
  }

  private jawAt(place: number): Float64Array {
    const { jaw, places } = this.compliance;
    const column = new Float64Array(this.size);
    for (const dof of this.dofs) column[dof] = jaw[dof * places.length + place]!;
    return column;
  }

  /** @param through the kept inverse times the jaw’s column */
  private metAt(place: number, through: Float64Array): PullMet {
    const { jaw, jawOwn, places } = this.compliance;
    let givesMmPerN = jawOwn[place]!;
    for (const dof of this.dofs) givesMmPerN -= jaw[dof * places.length + place]! * through[dof]!;
    return { givesMmPerN, unopposed: givesMmPerN > NOTHING_HOLDS_MM_PER_N || this.turns(place) };
  }

  /** A pull at a place would turn the cloth: it runs past what holds, with nothing beyond that could hold against it. */
  private turns(place: number): boolean {
    const { at, places } = this.compliance;
    const held = at.filter((_point, other) => other !== place && this.holding[other]);
    const [outX, outY] = OUTWARDS[places[place]!.side];
    const [x, y] = at[place]!;
    const past = held.map(([heldX, heldY]) => (heldX - x) * outY - (heldY - y) * outX);
    const lever = Math.max(0, Math.min(...past), -Math.max(...past));
    const range = (of: readonly number[]) => Math.max(...of) - Math.min(...of);
    const long = Math.hypot(range(held.map(([heldX]) => heldX)), range(held.map(([, heldY]) => heldY)));
    return lever > Math.max(THROUGH_MM, PASSES_PART * long);
  }

  /** Forces of all fasteners on the cloth for one hand, N, x and y; 0 where none holds. */
  forces(hand = 0): Float64Array {
    const moves = this.moves(hand);
    const forces = this.times(moves);
    // What many updates of the inverse have lost is put right by one step of refinement.
    const missing = this.movesOf(forces).map((move, dof) => (this.holding[dof >> 1] ? moves[dof]! - move : 0));
    return this.times(missing).map((more, dof) => forces[dof]! + more);
  }

  /** The forces for one hand as the events so far have carried them on, N: as `forces`, without its refinement and at once. */
  forcesSoFar(hand = 0): Float64Array {
    return Float64Array.from({ length: this.size }, (_, dof) => this.carried[dof * this.hands + hand]!);
  }

  /**
   * Forces of the first hand if a fastener were drawn and set again at a pull, N; nothing is changed. What the inverse knows
   * of the place already is what bordering would work out: n instead of n². Taken as opposed, as it is once all others hold.
   *
   * @throws RangeError when no fastener is there
   */
  forcesIfSetAgain(place: number, pullN: number): Float64Array {
    if (!this.holding[place]) throw new RangeError(`place ${place} has no fastener to draw`);
    const { size, inverse, hands, carried } = this;
    const at = 2 * place;
    const [a, b, d] = [inverse[at * size + at]!, inverse[at * size + at + 1]!, inverse[(at + 1) * size + at + 1]!];
    const det = a * d - b * b;
    const v = new Float64Array(2 * size);
    for (const dof of this.dofs) {
      if (dof >> 1 === place) continue;
      const [q0, q1] = [inverse[at * size + dof]!, inverse[(at + 1) * size + dof]!];
      v[2 * dof] = (-q0 * d + q1 * b) / det;
      v[2 * dof + 1] = (q0 * b - q1 * a) / det;
    }
    const [goX, goY] = [0, 1].map((axis) => pullN * this.movedByUnitPull(place, axis as 0 | 1, v));
    const now = [a * goX! + b * goY!, b * goX! + d * goY!] as const;
    const [moreX, moreY] = [now[0] - carried[at * hands]!, now[1] - carried[(at + 1) * hands]!];
    const forces = this.forcesSoFar();
    for (const dof of this.dofs) forces[dof]! -= v[2 * dof]! * moreX + v[2 * dof + 1]! * moreY;
    forces.set(now, at);
    return forces;
  }

  /** Moves that forces at the places make, mm, the bars' give with them. */
  private movesOf(forces: Float64Array): Float64Array {
    const { size, compliance, bars } = this;
    const outwards = compliance.places.map(({ side }) => OUTWARDS[side]);
    const pulls = outwards.map(([x, y], place) => x * forces[2 * place]! + y * forces[2 * place + 1]!);
    const moves = new Float64Array(size);
    for (const row of this.dofs) {
      let sum = 0;
      for (const dof of this.dofs) sum += compliance.crown[row * size + dof]! * forces[dof]!;
      const out = outwards[row >> 1]![row & 1]!;
      if (bars && out !== 0)
        for (let place = 0; place < pulls.length; place += 1)
          sum += out * pulls[place]! * bars[(row >> 1) * pulls.length + place]!;
      moves[row] = sum;
    }
    return moves;
  }

  /** Moves the fasteners hold for one hand, mm. */
  moves(hand = 0): Float64Array {
    return Float64Array.from({ length: this.size }, (_, dof) => this.held[dof * this.hands + hand]!);
  }

  /** Energy in cloth and bars for one hand, N mm: ½ λ·d. */
  energy(hand = 0): number {
    const moves = this.moves(hand);
    return this.forces(hand).reduce((sum, force, dof) => sum + (force * moves[dof]!) / 2, 0);
  }

  /** Compliance between a place and all that hold: two columns. With the bar, which moves along each one's outwards. */
  private between(place: number): Float64Array {
    const { size, compliance } = this;
    const out = new Float64Array(2 * size);
    for (const row of this.dofs) {
      for (const axis of [0, 1]) out[2 * row + axis] = compliance.crown[row * size + 2 * place + axis]!;
    }
    if (this.bars) this.addBars(place, this.bars, out);
    return out;
  }

  private addBars(place: number, bars: Float64Array, columns: Float64Array): void {
    const { places } = this.compliance;
    const own = OUTWARDS[places[place]!.side];
    places.forEach(({ side }, other) => {
      const give = bars[other * places.length + place]!;
      if (!this.holding[other] || give === 0) return;
      const out = OUTWARDS[side];
      for (const x of [0, 1]) for (const y of [0, 1]) columns[2 * (2 * other + x) + y]! += give * out[x]! * own[y]!;
    });
  }

  /** The kept inverse times a column. */
  private times(column: Float64Array): Float64Array {
    const { size, inverse, dofs } = this;
    const out = new Float64Array(size);
    for (const row of dofs) {
      let sum = 0;
      for (const k of dofs) sum += inverse[row * size + k]! * column[k]!;
      out[row] = sum;
    }
    return out;
  }

  /** The kept inverse times two columns beside each other and a third: one way through the matrix for all. */
  private throughAll(two: Float64Array, third: Float64Array): { v: Float64Array; through: Float64Array } {
    const { size, inverse, dofs } = this;
    const [v, through] = [new Float64Array(2 * size), new Float64Array(size)];
    for (const row of dofs) {
      let [x, y, z] = [0, 0, 0];
      for (const k of dofs) {
        const factor = inverse[row * size + k]!;
        x += factor * two[2 * k]!;
        y += factor * two[2 * k + 1]!;
        z += factor * third[k]!;
      }
      v[2 * row] = x;
      v[2 * row + 1] = y;
      through[row] = z;
    }
    return { v, through };
  }

  /** Where each hand's pull brings the place: the moves its fastener then holds. */
  private move(place: number, pullsN: ArrayLike<number>, unopposed: boolean, v: Float64Array): void {
    const { hands, held } = this;
    for (const axis of [0, 1] as const) {
      const perNewton = this.movedByUnitPull(place, axis, v);
      for (let hand = 0; hand < hands; hand += 1) {
        const pull = pullsN[hand]!;
        if (!(pull >= 0)) throw new RangeError(`a pull is 0 N or more, got ${pull}`);
        let move = unopposed ? 0 : pull * perNewton;
        for (const dof of this.dofs) move += v[2 * dof + axis]! * held[dof * hands + hand]!;
        held[(2 * place + axis) * hands + hand] = move;
      }
    }
  }

  /** How far a unit pull moves the crown at a place, mm along an axis, held back by all others that hold. */
  private movedByUnitPull(place: number, axis: 0 | 1, v: Float64Array): number {
    const { places, jaw } = this.compliance;
    const count = places.length;
    const bar = (other: number) => this.bars?.[other * count + place] ?? 0;
    let moved = jaw[(2 * place + axis) * count + place]! + bar(place) * OUTWARDS[places[place]!.side][axis]!;
    for (const dof of this.dofs) {
      if (dof >> 1 === place) continue;
      const side = OUTWARDS[places[dof >> 1]!.side];
      moved -= v[2 * dof + axis]! * (jaw[dof * count + place]! + bar(dof >> 1) * side[dof & 1]!);
    }
    return moved;
  }

  /** The inverse with one place more. */
  private border(place: number, toOthers: Float64Array, v: Float64Array): void {
    const { size, inverse } = this;
    const { crown, places } = this.compliance;
    const at = 2 * place;
    const out = OUTWARDS[places[place]!.side];
    const give = this.bars?.[place * places.length + place] ?? 0;
    const schur = [0, 1, 2, 3].map((index) => {
      const [x, y] = [index >> 1, index & 1];
      let value = crown[(at + x) * size + at + y]! + give * out[x]! * out[y]!;
      for (const dof of this.dofs) value -= toOthers[2 * dof + x]! * v[2 * dof + y]!;
      return value;
    });
    const det = schur[0]! * schur[3]! - schur[1]! * schur[2]!;
    const [s00, s01, s11] = [schur[3]! / det, -(schur[1]! + schur[2]!) / 2 / det, schur[0]! / det];
    this.carry(place, v, [s00, s01, s11]);
    for (const row of this.dofs) {
      const [v0, v1] = [v[2 * row]!, v[2 * row + 1]!];
      const [r0, r1] = [v0 * s00 + v1 * s01, v0 * s01 + v1 * s11];
      for (const column of this.dofs) inverse[row * size + column]! += r0 * v[2 * column]! + r1 * v[2 * column + 1]!;
      inverse[row * size + at] = inverse[at * size + row] = -r0;
      inverse[row * size + at + 1] = inverse[(at + 1) * size + row] = -r1;
    }
    inverse[at * size + at] = s00;
    inverse[at * size + at + 1] = inverse[(at + 1) * size + at] = s01;
    inverse[(at + 1) * size + at + 1] = s11;
  }

  /** The forces of every hand with one place more, before the inverse takes it in. */
  private carry(place: number, v: Float64Array, [s00, s01, s11]: readonly [number, number, number]): void {
    const { hands, held, carried, dofs } = this;
    const at = 2 * place;
    for (let hand = 0; hand < hands; hand += 1) {
      // How far the place stands from where the others alone would hold it.
      let [x, y] = [held[at * hands + hand]!, held[(at + 1) * hands + hand]!];
      for (const dof of dofs) {
        x -= v[2 * dof]! * held[dof * hands + hand]!;
        y -= v[2 * dof + 1]! * held[dof * hands + hand]!;
      }
      const [px, py] = [s00 * x + s01 * y, s01 * x + s11 * y];
      for (const dof of dofs) carried[dof * hands + hand]! -= v[2 * dof]! * px + v[2 * dof + 1]! * py;
      carried[at * hands + hand] = px;
      carried[(at + 1) * hands + hand] = py;
    }
  }
}
