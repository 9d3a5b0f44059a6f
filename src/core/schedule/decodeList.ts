/*
 * Starts from a list: each task in turn as early as what stands already allows (serial schedule generation, Kelley 1963). The
 * lists reach every active schedule, and one of those is best wherever ending later is never better (Sprecher, Kolisch & Drexl 1995).
 * What is set up together goes as one piece of hands; what is wet lies down the moment its coat is on.
 */
import type { IndexedShop } from './indexedShop';
import { STEPS_A_DAY } from './workCalendar';

/** What is chosen of a plan, by task. */
export interface Genes {
  list: Int32Array;
  /** 1 where it is set up together with the next of the list, if that can be. */
  joins: Uint8Array;
  /** By whom; below 0 whoever is free first. */
  maker: Int8Array;
  /** Not before, though nothing else keeps it: where it lay before. */
  holds: Int32Array;
}

const NOT = -1;

/** A task finds no room in all the days there are. */
export class NoRoom extends RangeError {
  override name = 'NoRoom';
}

/** What is used at every step; kept from list to list, so that nothing is made anew. */
export class Decoder {
  private readonly busy: Uint8Array[];
  private readonly used: Uint8Array[];
  private readonly strained: Int32Array[];
  private readonly jobEnd: Int32Array;
  private readonly block: Int32Array;
  private readonly nobody: Int8Array;
  private pots = 0;
  /** Of the list that was decoded last: start of each task, its maker, place and pot; below 0 for none. */
  readonly starts: Int32Array;
  readonly maker: Int8Array;
  readonly place: Int16Array;
  readonly pot: Int32Array;
  makespan = 0;
  tardiness = 0;
  finish = 0;
  setUps = 0;
  brokenPins = 0;

  constructor(readonly shop: IndexedShop) {
    const steps = () => new Uint8Array(shop.horizon + 1);
    this.busy = shop.windows.map(steps);
    this.used = shop.placeCounts.map(steps);
    this.strained = shop.hands.map(() => new Int32Array(Math.ceil(shop.horizon / STEPS_A_DAY) + 1));
    this.starts = new Int32Array(shop.count);
    this.maker = new Int8Array(shop.count);
    this.place = new Int16Array(shop.count);
    this.pot = new Int32Array(shop.count);
    this.jobEnd = new Int32Array(shop.jobs);
    this.block = new Int32Array(shop.count);
    this.nobody = new Int8Array(shop.count).fill(NOT);
  }

  /** @throws NoRoom where a task finds none in all the days there are */
  decode({ list, joins, maker, holds }: Genes): void {
    const { shop, starts, block } = this;
    this.clear();
    for (let index = 0; index < list.length; index += 1) {
      const task = list[index]!;
      if (starts[task]! >= 0) {
        if (shop.pinStart[task]! < 0 || this.readyOf(task, holds) <= starts[task]!) continue;
        // What it waits for has not ended at the moment it is pinned to.
        this.unpin(task);
        this.brokenPins += 1;
      }
      if (!shop.active[task]) {
        this.layDown(task, this.readyOf(task, holds));
        continue;
      }
      let size = 1;
      block[0] = task;
      while (joins[list[index + size - 1]!] && index + size < list.length && this.joinable(size, list[index + size]!, holds)) {
        block[size] = list[index + size]!;
        size += 1;
      }
      this.placeBlock(size, maker, holds);
    }
    this.measure();
  }

  private clear(): void {
    const { shop, starts } = this;
    for (const one of this.busy) one.fill(0);
    for (const one of this.used) one.fill(0);
    for (const one of this.strained) one.fill(0);
    starts.fill(NOT);
    this.maker.fill(NOT);
    this.place.fill(NOT);
    this.pot.fill(NOT);
    this.brokenPins = 0;
    this.setUps = 0;
    this.pots = 0;
    for (const task of shop.runs) {
      starts[task] = shop.running[task]!;
      // What lies there lies there, also where more lies than there are places.
      const kind = shop.places[task]!.find((one) => this.lastUse(one, starts[task]!, shop.duration[task]!) < 0);
      this.lie(task, kind ?? shop.places[task]![0] ?? NOT, 1);
    }
    for (const task of shop.pins) this.pinDown(task);
  }

  /** Keeps the moment a task is pinned to; where it cannot be had, the pin is broken. */
  private pinDown(task: number): void {
    const { shop, block } = this;
    const from = shop.pinStart[task]! - shop.before[task]!;
    block[0] = task;
    if (shop.active[task] && from >= shop.release[task]!)
      for (let maker = 0; maker < shop.windows.length; maker += 1)
        if (this.does(maker, task, NOT) && this.handsFrom(maker, 1, from, from) === from) {
          this.commit(1, maker, from);
          return;
        }
    this.brokenPins += 1;
  }

  private does(maker: number, task: number, chosen: number): boolean {
    const { shop } = this;
    const only = shop.pinMaker[task]! >= 0 ? shop.pinMaker[task]! : chosen;
    return shop.able[maker]![task] === 1 && (only < 0 || only === maker);
  }

  private readyOf(task: number, holds: Int32Array): number {
    const { shop, starts } = this;
    let ready = Math.max(shop.release[task]!, holds[task]!);
    for (const one of shop.after[task]!) ready = Math.max(ready, starts[one]! + shop.duration[one]!);
    return ready;
  }

  /** Whether a task can be done in one go with those that are in the block. */
  private joinable(size: number, task: number, holds: Int32Array): boolean {
    const { shop, starts, block } = this;
    const first = block[0]!;
    if (starts[task]! >= 0 || shop.family[task]! < 0 || shop.family[task] !== shop.family[first]) return false;
    if (shop.pinMaker[task] !== shop.pinMaker[first]) return false;
    for (const one of shop.after[task]!) if (starts[one]! < 0) return false;
    let length = shop.before[first]! + shop.duration[task]! + shop.afterwards[first]!;
    let soonest = this.readyOf(task, holds);
    let latest = soonest;
    for (let index = 0; index < size; index += 1) {
      length += shop.duration[block[index]!]!;
      const ready = this.readyOf(block[index]!, holds);
      soonest = Math.min(soonest, ready);
      latest = Math.max(latest, ready);
    }
    return length <= shop.longestWindow && latest - soonest <= shop.together;
  }

  private placeBlock(size: number, chosen: Int8Array, holds: Int32Array): void {
    const { shop, block } = this;
    const first = block[0]!;
    // A pot may be mixed while the last coat still dries.
    let from = shop.release[first]!;
    let offset = shop.before[first]!;
    for (let index = 0; index < size; index += 1) {
      from = Math.max(from, this.readyOf(block[index]!, holds) - offset);
      offset += shop.duration[block[index]!]!;
    }
    let [best, bestMaker] = [shop.horizon, NOT];
    for (let maker = 0; maker < shop.windows.length; maker += 1) {
      let able = true;
      for (let index = 0; index < size && able; index += 1) able = this.does(maker, block[index]!, chosen[first]!);
      const start = able ? this.handsFrom(maker, size, from, best - 1) : NOT;
      if (start >= 0) [best, bestMaker] = [start, maker];
    }
    if (bestMaker >= 0) return this.commit(size, bestMaker, best);
    if (size > 1) {
      // Together they find no room: one after the other.
      for (const task of [...block.subarray(0, size)]) {
        block[0] = task;
        this.placeBlock(1, chosen, holds);
      }
    } else if (chosen[first]! >= 0) this.placeBlock(1, this.nobody, holds);
    else throw new NoRoom(`no room for ${shop.ids[first]} within ${shop.horizon / STEPS_A_DAY} days`);
  }

  /** The earliest start of a block by a maker from a step on, but no later than another; below 0 for none. */
  private handsFrom(maker: number, size: number, ready: number, latest: number): number {
    const { shop, block } = this;
    const { from, to, first } = shop.windows[maker]!;
    const busy = this.busy[maker]!;
    const day = Math.floor(ready / STEPS_A_DAY);
    if (day >= first.length) return NOT;
    let length = shop.before[block[0]!]! + shop.afterwards[block[0]!]!;
    let strain = 0;
    for (let index = 0; index < size; index += 1) {
      length += shop.duration[block[index]!]!;
      strain += shop.strain[block[index]!]!;
    }
    const strained = this.strained[shop.handOf[maker]!]!;
    const stands = shop.hands[shop.handOf[maker]!]!;
    for (let window = first[day]!; window < from.length; window += 1) {
      let start = Math.max(ready, from[window]!);
      if (start > latest) return NOT;
      if (strain > 0 && strained[Math.floor(start / STEPS_A_DAY)]! + strain > stands) continue;
      while (start + length <= to[window]!) {
        // Looked at from its end: the last step that is taken says where to go on.
        let step = start + length - 1;
        while (step >= start && busy[step]! === 0) step -= 1;
        const later = step >= start ? step + 1 - start : this.placesLater(size, start);
        if (later === 0) return start <= latest ? start : NOT;
        start += later;
      }
    }
    return NOT;
  }

  /** How much later a block must start for its benches and for the places its wet ones lie down on; 0 where there is room. */
  private placesLater(size: number, start: number): number {
    const { shop, block } = this;
    let at = start + shop.before[block[0]!]!;
    let later = 0;
    for (let index = 0; index < size && later === 0; index += 1) {
      const task = block[index]!;
      const wet = shop.follower[task]!;
      later = this.roomLater(task, at);
      if (later === 0) this.lieDown(task, at);
      at += shop.duration[task]!;
      if (later > 0 || wet < 0) continue;
      later = this.roomLater(wet, at);
      if (later === 0) this.lieDown(wet, at);
    }
    for (let index = 0; index < size; index += 1) this.takeUp(block[index]!);
    return later;
  }

  /** Steps until one of the places a task may take is free for all of it; 0 where one is. */
  private roomLater(task: number, start: number): number {
    const kinds = this.shop.places[task]!;
    if (kinds.length === 0) return 0;
    let least = Infinity;
    for (const kind of kinds) {
      const last = this.lastUse(kind, start, this.shop.duration[task]!);
      if (last < 0) return 0;
      least = Math.min(least, last + 1 - start);
    }
    return least;
  }

  /** The last step of a stretch at which no place of a kind is free; below 0 where one is all along. */
  private lastUse(kind: number, start: number, length: number): number {
    const used = this.used[kind]!;
    const count = this.shop.placeCounts[kind]!;
    let step = Math.min(start + length, used.length) - 1;
    while (step >= start && used[step]! < count) step -= 1;
    return step >= start ? step : NOT;
  }

  private lieDown(task: number, start: number): void {
    this.starts[task] = start;
    const kind = this.shop.places[task]!.find((one) => this.lastUse(one, start, this.shop.duration[task]!) < 0);
    this.lie(task, kind ?? NOT, 1);
  }

  /** Takes up a task that lies, and what is wet of it. */
  private takeUp(task: number): void {
    if (this.starts[task]! < 0) return;
    this.lie(task, this.place[task]!, -1);
    this.starts[task] = NOT;
    const wet = this.shop.follower[task]!;
    if (wet >= 0) this.takeUp(wet);
  }

  /** Takes a place from the start of a task on, or gives it back. */
  private lie(task: number, kind: number, by: 1 | -1): void {
    this.place[task] = by > 0 ? kind : NOT;
    if (kind < 0) return;
    const used = this.used[kind]!;
    const end = Math.min(this.starts[task]! + this.shop.duration[task]!, used.length);
    for (let step = this.starts[task]!; step < end; step += 1) used[step]! += by;
  }

  /** Puts the block down. */
  private commit(size: number, maker: number, start: number): void {
    const { shop, block } = this;
    const first = block[0]!;
    const sets = shop.family[first]! >= 0;
    let at = start + shop.before[first]!;
    for (let index = 0; index < size; index += 1) {
      const task = block[index]!;
      const wet = shop.follower[task]!;
      this.lieDown(task, at);
      if (wet >= 0) this.lieDown(wet, at + shop.duration[task]!);
      this.maker[task] = maker;
      this.pot[task] = sets ? this.pots : NOT;
      this.strained[shop.handOf[maker]!]![Math.floor(start / STEPS_A_DAY)]! += shop.strain[task]!;
      at += shop.duration[task]!;
    }
    if (sets) this.setUps += 1;
    this.pots += 1;
    this.occupy(maker, start, at + shop.afterwards[first]!, 1);
  }

  /** Takes back what was pinned to a moment that cannot be kept. */
  private unpin(task: number): void {
    const { shop } = this;
    const maker = this.maker[task]!;
    const start = this.starts[task]! - shop.before[task]!;
    this.strained[shop.handOf[maker]!]![Math.floor(start / STEPS_A_DAY)]! -= shop.strain[task]!;
    this.occupy(maker, start, this.starts[task]! + shop.duration[task]! + shop.afterwards[task]!, -1);
    this.takeUp(task);
    this.maker[task] = NOT;
    this.pot[task] = NOT;
    if (shop.family[task]! >= 0) this.setUps -= 1;
  }

  private occupy(maker: number, from: number, to: number, by: 1 | -1): void {
    const busy = this.busy[maker]!;
    for (let step = from; step < to; step += 1) busy[step]! += by;
  }

  /** Time alone: from the first moment on at which a place is free for all of it. */
  private layDown(task: number, ready: number): void {
    let start = ready;
    for (let later = this.roomLater(task, start); later > 0; later = this.roomLater(task, start)) start += later;
    if (start + this.shop.duration[task]! > this.shop.horizon && this.shop.places[task]!.length > 0 && start > ready)
      throw new NoRoom(`no place for ${this.shop.ids[task]} within ${this.shop.horizon / STEPS_A_DAY} days`);
    this.lieDown(task, start);
  }

  private measure(): void {
    const { shop, starts, jobEnd } = this;
    jobEnd.fill(0);
    for (let task = 0; task < shop.count; task += 1) {
      const end = starts[task]! + shop.duration[task]!;
      if (end > jobEnd[shop.jobOf[task]!]!) jobEnd[shop.jobOf[task]!] = end;
    }
    this.makespan = 0;
    this.tardiness = 0;
    this.finish = 0;
    for (let job = 0; job < jobEnd.length; job += 1) {
      if (jobEnd[job]! > this.makespan) this.makespan = jobEnd[job]!;
      this.finish += jobEnd[job]! / jobEnd.length;
      this.tardiness += shop.weight[job]! * Math.max(0, jobEnd[job]! - shop.due[job]!);
    }
  }
}
