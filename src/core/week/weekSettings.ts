/* What a house plans its days by: hours, who is there and does what, places to dry, what is set up, and what is wanted first. */
import { length } from '../units/length';
import { type ShapeOf, day, flag, lengthOf, listOf, oneOf, optional, part, text, whole, numberOf } from '../shape/shape';
import { STAGES } from '../stages/stages';
import { type OpenWindow, STEPS_A_DAY, WEEKDAYS, windowViolations } from '../schedule/workCalendar';

/** A stretch of a weekday, in quarters of an hour from midnight. */
const openHours = part('openHours', { weekday: whole(0, 6), from: whole(0, STEPS_A_DAY), to: whole(0, STEPS_A_DAY) });

export const PLACE_KINDS = [
  { id: 'flat', name: 'flat places' },
  { id: 'peg', name: 'pegs' },
  { id: 'bench', name: 'benches for large frames' },
] as const;

export const WANTED = [
  { id: 'dates', name: 'promised dates kept' },
  { id: 'setUps', name: 'few pots and saw set-ups' },
  { id: 'finish', name: 'everything early' },
] as const;

/** A usual day: nine to twelve, one to five, Monday to Friday. */
const USUAL_HOURS = [1, 2, 3, 4, 5].flatMap((weekday) => [
  { weekday, from: 36, to: 48 },
  { weekday, from: 52, to: 68 },
]);

/** Rows of changed days that are kept. */
export const MOST_CHANGES = 300;

export const weekSettingsShape = {
  hours: listOf(openHours, 28),
  /** Exceptions: for everybody where no maker is named; closed where none of its hours is left. */
  changes: listOf(
    part('changedDay', { on: day(), maker: text(0, 80), from: whole(0, STEPS_A_DAY), to: whole(0, STEPS_A_DAY) }),
    MOST_CHANGES,
  ),
  makers: listOf(
    part('makerDays', {
      maker: text(1, 80),
      /** With hours of her own in place of the house’s. */
      ownHours: flag(),
      hours: listOf(openHours, 28),
      leaves: listOf(oneOf(STAGES), 8),
      /** Squeezes of a hand stapler in a day; the house’s where nobody said. */
      squeezes: optional(whole(1, 5000)),
    }),
    20,
  ),
  places: listOf(
    part('dryingPlace', {
      name: text(1, 60),
      kind: oneOf(PLACE_KINDS, 'flat'),
      /** The largest frame it takes. */
      long: lengthOf('roomFor', 1500),
      short: lengthOf('roomFor', 1200),
      count: numberOf('places'),
    }),
    40,
  ),
  /** Frames with a longer side want a bench of their own, where there are any. */
  largeFrom: lengthOf('roomFor', 1300),
  sawMinutes: numberOf('setUpMinutes', 15),
  potMinutes: numberOf('setUpMinutes', 15),
  washMinutes: numberOf('setUpMinutes', 15),
  /** What is set up waits so long at the most for what could be done with it. */
  togetherHours: numberOf('togetherHours', 24),
  /** How much work differs from what was reckoned, as a standard deviation. */
  spreadPercent: numberOf('workSpread', 25),
  wanted: listOf(oneOf(WANTED, 'dates'), 3),
};
export interface WeekSettings extends ShapeOf<typeof weekSettingsShape> {}
export type WantedId = WeekSettings['wanted'][number];

/** What a house plans by until it said something else. */
export const USUAL_WEEK: WeekSettings = {
  hours: USUAL_HOURS,
  changes: [],
  makers: [],
  places: [
    { name: 'Bench and floor', kind: 'flat', long: length(1500), short: length(1200), count: 4 },
    { name: 'Pegs', kind: 'peg', long: length(1500), short: length(1200), count: 6 },
    { name: 'Against the wall', kind: 'peg', long: length(3000), short: length(2500), count: 2 },
  ],
  largeFrom: length(1300),
  sawMinutes: 15,
  potMinutes: 15,
  washMinutes: 15,
  togetherHours: 24,
  spreadPercent: 25,
  wanted: ['dates', 'setUps', 'finish'],
};

/** Windows of every weekday, from Sunday, each day’s in their order. */
export const weekOf = (hours: WeekSettings['hours']): OpenWindow[][] =>
  WEEKDAYS.map((_name, weekday) =>
    hours
      .filter((one) => one.weekday === weekday)
      .map(({ from, to }): OpenWindow => [from, to])
      .sort((a, b) => a[0] - b[0]),
  );

/** What is wrong with settings, as sentences; none where the days can be planned by them. */
export function weekSettingsViolations(
  { hours, changes, makers, places, wanted }: WeekSettings,
  names: readonly string[],
): string[] {
  const ofWeek = (own: WeekSettings['hours'], who: string) =>
    weekOf(own).flatMap((windows, weekday) => windowViolations(`${who}${WEEKDAYS[weekday]!}`, windows));
  const days = new Map<string, OpenWindow[]>();
  for (const { on, maker, from, to } of changes)
    if (from !== to)
      days.set(`${maker ? `${maker}, ` : ''}${on}`, [...(days.get(`${maker ? `${maker}, ` : ''}${on}`) ?? []), [from, to]]);
  const twice = (of: readonly string[]) => of.filter((one, index) => of.indexOf(one) !== index);
  return [
    ...ofWeek(hours, ''),
    ...makers.flatMap(({ maker, hours: own, ownHours }) => (ownHours ? ofWeek(own, `${maker}, `) : [])),
    ...[...days].flatMap(([name, windows]) =>
      windowViolations(
        name,
        windows.sort((a, b) => a[0] - b[0]),
      ),
    ),
    ...[...makers.map(({ maker }) => maker), ...changes.map(({ maker }) => maker).filter(Boolean)]
      .filter((maker) => !names.includes(maker))
      .map((maker) => `Nobody here is called “${maker}”: ${names.join(', ')}.`),
    ...twice(makers.map(({ maker }) => maker)).map((maker) => `${maker} stands there twice.`),
    ...twice(places.map(({ name }) => name)).map((name) => `Two places are called “${name}”.`),
    ...twice(wanted).map((one) => `“${WANTED.find(({ id }) => id === one)!.name}” stands there twice.`),
    ...(names.every((name) => hoursOf({ hours, makers }, name).length === 0)
      ? ['Nobody is ever there: give the house, or one maker, hours.']
      : []),
    ...(places.every(({ kind }) => kind === 'bench') ? ['There is no place to dry anything: add a flat one or a peg.'] : []),
  ];
}

/** The hours of a maker in a usual week. */
export function hoursOf({ hours, makers }: Pick<WeekSettings, 'hours' | 'makers'>, name: string): WeekSettings['hours'] {
  const own = makers.find(({ maker }) => maker === name);
  return own?.ownHours ? own.hours : hours;
}
