/*
 * Fasteners going in and coming out, one after another. What holds is a set a of places with fixed moves d; the forces
 * are λ = A⁻¹ d, A the compliance between the places that hold plus that of the bars. The inverse is kept and bordered
 * by a fastener that goes in and deflated by one that comes out (Hager, Updating the inverse of a matrix, 1989), so an
 * event costs n². Several hands that follow one order share it and differ in d alone.
 */
import { OUTWARDS, type PlaceCompliance } from './edgePlaces';

/** Above this give the jaw draws the cloth along instead of tightening it, mm/N. */
export const NOTHING_HOLDS_MM_PER_N = 3;

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
  private readonly holding: boolean[];

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
    const met = this.meets(place);
    const toOthers = this.between(place);
    const v = this.times(toOthers, 2);
    this.move(place, pullsN, met.unopposed, v);
    this.border(place, toOthers, v);
    this.holding[place] = true;
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
    for (let row = 0; row < size; row += 1) {
      const [r0, r1] = [q0[row]! * ia + q1[row]! * ib, q0[row]! * ib + q1[row]! * id];
      if (r0 === 0 && r1 === 0) continue;
      for (let column = 0; column < size; column += 1) inverse[row * size + column]! -= r0 * q0[column]! + r1 * q1[column]!;
    }
    for (const dof of [at, at + 1]) {
      inverse.fill(0, dof * size, (dof + 1) * size);
      for (let row = 0; row < size; row += 1) inverse[row * size + dof] = 0;
      this.held.fill(0, dof * this.hands, (dof + 1) * this.hands);
    }
    this.holding[place] = false;
  }

  /** Fastens a place at moves known before, mm, the same for every hand. */
  fastenAt(place: number, [x, y]: readonly [number, number]): void {
    if (this.holding[place]) throw new RangeError(`place ${place} is fastened already: take it out first`);
    const toOthers = this.between(place);
    this.held.fill(x, 2 * place * this.hands, (2 * place + 1) * this.hands);
    this.held.fill(y, (2 * place + 1) * this.hands, (2 * place + 2) * this.hands);
    this.border(place, toOthers, this.times(toOthers, 2));
    this.holding[place] = true;
  }

  /** What a pull at a place would meet now. */
  meets(place: number): PullMet {
    const { jaw, jawOwn, places } = this.compliance;
    const column = Float64Array.from({ length: this.size }, (_, dof) => jaw[dof * places.length + place]!);
    const through = this.times(column, 1);
    const givesMmPerN = jawOwn[place]! - column.reduce((sum, value, dof) => sum + value * through[dof]!, 0);
    return { givesMmPerN, unopposed: givesMmPerN > NOTHING_HOLDS_MM_PER_N };
  }

  /** Forces of all fasteners on the cloth for one hand, N, x and y; 0 where none holds. */
  forces(hand = 0): Float64Array {
    const moves = this.moves(hand);
    const forces = this.times(moves, 1);
    // What many updates of the inverse have lost is put right by one step of refinement.
    const missing = this.movesOf(forces).map((move, dof) => (this.holding[dof >> 1] ? moves[dof]! - move : 0));
    return this.times(missing, 1).map((more, dof) => forces[dof]! + more);
  }

  /** Moves that forces at the places make, mm, the bars' give with them. */
  private movesOf(forces: Float64Array): Float64Array {
    const { size, compliance, bars } = this;
    const outwards = compliance.places.map(({ side }) => OUTWARDS[side]);
    const pulls = outwards.map(([x, y], place) => x * forces[2 * place]! + y * forces[2 * place + 1]!);
    const moves = new Float64Array(size);
    for (let row = 0; row < size; row += 1) {
      if (!this.holding[row >> 1]) continue;
      let sum = 0;
      for (let dof = 0; dof < size; dof += 1) sum += compliance.crown[row * size + dof]! * forces[dof]!;
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

  /** The same state, to try something on. */
  copy(): Stapling {
    const other = new Stapling(this.compliance, this.bars, this.hands);
    other.inverse.set(this.inverse);
    other.held.set(this.held);
    this.holding.forEach((holds, place) => (other.holding[place] = holds));
    return other;
  }

  /** Compliance between a place and all that hold: two columns. With the bar, which moves along each one's outwards. */
  private between(place: number): Float64Array {
    const { size, compliance } = this;
    const out = new Float64Array(2 * size);
    for (let row = 0; row < size; row += 1) {
      if (!this.holding[row >> 1]) continue;
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

  /** The kept inverse times some columns that stand beside each other. */
  private times(columns: Float64Array, count: 1 | 2): Float64Array {
    const { size, inverse } = this;
    const out = new Float64Array(columns.length);
    if (count === 1) {
      for (let row = 0; row < size; row += 1) {
        if (!this.holding[row >> 1]) continue;
        let sum = 0;
        for (let k = 0; k < size; k += 1) sum += inverse[row * size + k]! * columns[k]!;
        out[row] = sum;
      }
      return out;
    }
    for (let row = 0; row < size; row += 1) {
      if (!this.holding[row >> 1]) continue;
      let [x, y] = [0, 0];
      for (let k = 0; k < size; k += 1) {
        const factor = inverse[row * size + k]!;
        x += factor * columns[2 * k]!;
        y += factor * columns[2 * k + 1]!;
      }
      out[2 * row] = x;
      out[2 * row + 1] = y;
    }
    return out;
  }

  /** Where each hand's pull brings the place: the moves its fastener then holds. */
  private move(place: number, pullsN: ArrayLike<number>, unopposed: boolean, v: Float64Array): void {
    const { hands, held, size } = this;
    const { places, jaw } = this.compliance;
    const count = places.length;
    const out = OUTWARDS[places[place]!.side];
    const bar = (other: number) => this.bars?.[other * count + place] ?? 0;
    for (const axis of [0, 1]) {
      // A unit pull moves the crown here, held back by all that hold.
      let perNewton = jaw[(2 * place + axis) * count + place]! + bar(place) * out[axis]!;
      for (let dof = 0; dof < size; dof += 1) {
        if (!this.holding[dof >> 1]) continue;
        const side = OUTWARDS[places[dof >> 1]!.side];
        perNewton -= v[2 * dof + axis]! * (jaw[dof * count + place]! + bar(dof >> 1) * side[dof & 1]!);
      }
      for (let hand = 0; hand < hands; hand += 1) {
        const pull = pullsN[hand]!;
        if (!(pull >= 0)) throw new RangeError(`a pull is 0 N or more, got ${pull}`);
        let move = unopposed ? 0 : pull * perNewton;
        for (let dof = 0; dof < size; dof += 1) move += v[2 * dof + axis]! * held[dof * hands + hand]!;
        held[(2 * place + axis) * hands + hand] = move;
      }
    }
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
      for (let dof = 0; dof < size; dof += 1) value -= toOthers[2 * dof + x]! * v[2 * dof + y]!;
      return value;
    });
    const det = schur[0]! * schur[3]! - schur[1]! * schur[2]!;
    const [s00, s01, s11] = [schur[3]! / det, -(schur[1]! + schur[2]!) / 2 / det, schur[0]! / det];
    for (let row = 0; row < size; row += 1) {
      const [v0, v1] = [v[2 * row]!, v[2 * row + 1]!];
      if (v0 === 0 && v1 === 0) continue;
      const [r0, r1] = [v0 * s00 + v1 * s01, v0 * s01 + v1 * s11];
      for (let column = 0; column < size; column += 1)
        inverse[row * size + column]! += r0 * v[2 * column]! + r1 * v[2 * column + 1]!;
      inverse[row * size + at] = inverse[at * size + row] = -r0;
      inverse[row * size + at + 1] = inverse[(at + 1) * size + row] = -r1;
    }
    inverse[at * size + at] = s00;
    inverse[at * size + at + 1] = inverse[(at + 1) * size + at] = s01;
    inverse[(at + 1) * size + at + 1] = s11;
  }
}
