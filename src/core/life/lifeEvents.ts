/* What happens to a canvas that nobody measured: noted when it is seen. */
interface LifeEvent<Id extends string> {
  id: Id;
  name: string;
  /** The cloth is not what it was before: what is measured after is not compared with what was measured before. */
  moves: boolean;
  /** The cloth gave way, or was hurt: what it lost since is not put down to time. */
  tells: boolean;
}

const event = <const I extends string>(id: I, name: string, { moves = false, tells = true } = {}): LifeEvent<I> => ({
  id,
  name,
  moves,
  tells,
});

export const LIFE_EVENTS = [
  event('slack', 'Hung slack'),
  event('ripples', 'Ripples from a corner'),
  event('dent', 'Dented or bulged'),
  event('knocked', 'Knocked or dropped', { moves: true }),
  event('newFrame', 'Put into another frame', { tells: false }),
  event('moved', 'Carried or sent', { tells: false }),
] as const;
export type LifeEventId = (typeof LIFE_EVENTS)[number]['id'];
