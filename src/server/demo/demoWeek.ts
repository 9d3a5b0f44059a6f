import { USUAL_WEEK, type WeekSettings } from '@/core/week/weekSettings';
import { length } from '@/core/units/length';

/** Two at work all week; Ansel comes on Thursdays and leaves sawing to the others. A day is short. */
export const demoWeek = (shortDay: string): WeekSettings => ({
  ...USUAL_WEEK,
  changes: [{ on: shortDay, maker: 'Wenna', from: 36, to: 48 }],
  makers: [
    { maker: 'Ansel', ownHours: true, hours: [{ weekday: 4, from: 40, to: 60 }], leaves: ['brief', 'bars'], squeezes: 250 },
  ],
  places: [
    { name: 'Tables', kind: 'flat', long: length(1400), short: length(1000), count: 3 },
    { name: 'Pegs', kind: 'peg', long: length(1500), short: length(1200), count: 6 },
    { name: 'South wall', kind: 'peg', long: length(2800), short: length(2400), count: 3 },
    { name: 'Floor of the loft', kind: 'flat', long: length(2800), short: length(2400), count: 1 },
    { name: 'Long bench', kind: 'bench', long: length(3000), short: length(2400), count: 1 },
  ],
});
