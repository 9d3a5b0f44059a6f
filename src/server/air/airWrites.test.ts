import 'reflect-metadata';
import { beforeEach, describe, expect, it } from 'vitest';
import { listAir } from '@/db/airReadings';
import { airOf, importAir, readSimulatedAir, spellOf } from './airWrites';
import { airFromCsv } from './airCsv';
import { type TestWorkshop, testWorkshop, value, wordsOf } from '../testWorkshop';

let workshop: TestWorkshop;
beforeEach(() => {
  workshop = testWorkshop();
});
const all = () => listAir(workshop.database, '2000');

describe('a logger’s table', () => {
  it.each([
    ['commas and points', 'Time,Temperature (°C),Humidity (%)\n2031-05-04 09:00,18.5,61\n'],
    ['semicolons and decimal commas', 'Zeit;Temp;Hum\n2031-05-04T09:00:00;18,5;61,0\n'],
    ['tabs, other columns between, day first', '\uFEFFno\tdate time\trH %\tbattery\ttemp\n1\t4.5.2031 09:00\t61\t3.1\t18.5\n\n'],
  ])('is read with %s', (_kind, text) => {
    const local = new Date(2031, 4, 4, 9).toISOString();
    expect(value(airFromCsv(text))).toEqual([{ at: local, celsius: 18.5, rh: 61, simulated: false }]);
  });

  it('is read in the zone and the scale that its names say', () => {
    const [reading] = value(airFromCsv('time (UTC),temp °F,humidity\n2031-05-04 09:00:30,50,61'));
    expect(reading).toMatchObject({ at: '2031-05-04T09:00:30.000Z', celsius: 10 });
    expect(value(airFromCsv('time (UTC),temp,humidity\n2031-05-04T09:00+02:00,50,61'))[0]!.at).toBe('2031-05-04T07:00:00.000Z');
    expect(wordsOf(airFromCsv('time,temp °F,humidity\n2031-05-04 09:00,150,61'))).toMatch(
      /“150” is no temperature of -22 to 140 °F/,
    );
  });

  it('says which rows are wrong and with what, and how many more', () => {
    const rows = Array.from({ length: 12 }, () => '2031-05-04 09:00,18,130');
    const words = wordsOf(
      airFromCsv(['time,temp,humidity', '2031-05-04 08:00,18,55', 'noon,18,55', '2031-05-04 10:00,hot,55', ...rows].join('\n')),
    );
    expect(words).toMatch(/^row 3: “noon” is no time such as 2031-05-06 12:00\nrow 4: “hot” is no temperature of -30 to 60 °C/);
    expect(words).toMatch(/row 5: “130” is no humidity of 0 to 100 %/);
    expect(words).toMatch(/and 6 rows more$/);
  });

  it.each([
    ['time,temp\n2031-05-04 09:00,18', /No column for the humidity: the names on top are “time”, “temp”/],
    ['a,b,c\n1,2,3', /No column for the time and the temperature and the humidity/],
    ['time,temp,humidity', /has no rows/],
    ['', /has no rows/],
    [`time,temp,humidity\n${'2031-05-04 09:00,18,55\n'.repeat(60_001)}`, /has 60001 rows; 60000 is the most/],
  ])('is refused when it is no such table', (text, why) => expect(wordsOf(airFromCsv(text))).toMatch(why));

  it('is taken in whole or not at all; what was read already stays', () => {
    const row = (hour: number, rh: number) => `2031-05-04 ${String(hour).padStart(2, '0')}:00,18,${rh}`;
    const text = (...rows: string[]) => ({ text: ['time,temp,humidity', ...rows].join('\n'), source: 'logger.csv' });
    expect(importAir.act(workshop, text(row(1, 50), 'never,18,50')).ok).toBe(false);
    expect(all()).toEqual([]);
    expect(value(importAir.act(workshop, text(row(1, 50), row(2, 60))))).toMatchObject({ added: 2, rows: 2 });
    expect(value(importAir.act(workshop, text(row(2, 99), row(3, 70))))).toMatchObject({ added: 1, rows: 2 });
    expect(all().map(({ rh }) => rh)).toEqual([50, 60, 70]);
  });

  it('takes the place of what was simulated, and what was there before is kept', () => {
    value(readSimulatedAir.act(workshop, {}));
    const before = all().at(-1)!;
    const real = { text: `time,temp,humidity\n${before.at},16,73`, source: 'simulated hygrometer' };
    expect(value(importAir.act(workshop, real))).toMatchObject({ added: 0, replaced: 1, rows: 1 });
    expect(all().at(-1)).toMatchObject({ at: before.at, celsius: 16, rh: 73, simulated: false });
    expect(workshop.database.prepare('SELECT at, celsius, rh FROM air_replaced').all()).toEqual([
      { at: before.at, celsius: before.celsius, rh: before.rh },
    ]);
    // A second real one finds a real one there.
    expect(value(importAir.act(workshop, { ...real, text: real.text.replace('16,73', '15,70') }))).toMatchObject({ replaced: 0 });
    value(readSimulatedAir.act(workshop, {}));
    expect(all().at(-1)).toMatchObject({ rh: 73 });
    expect(() => workshop.database.exec('DELETE FROM air_replaced')).toThrow(/append-only/);
  });
});

describe('the air by days', () => {
  it('a simulated year fills what is missing, comes out the same, and reaches until now', () => {
    const { air, added } = value(readSimulatedAir.act(workshop, {}));
    expect(added).toBe(2928);
    expect(air.days.length).toBeGreaterThan(365);
    expect(Date.parse(air.last!.at)).toBe(workshop.now().getTime());
    expect(value(readSimulatedAir.act(workshop, {})).added).toBe(0);
    for (const { rh, leastRh, mostRh } of air.days) expect(leastRh <= rh && rh <= mostRh).toBe(true);
  });

  it('knows the last reading, and looks neither into the future nor further back than a year', () => {
    const rows = ['2029-01-01 09:00,10,40', '2031-05-03 09:00,18,50', '2031-05-04 09:00,19,60', '2031-06-01 09:00,25,90'];
    value(importAir.act(workshop, { text: ['time,temp,humidity', ...rows].join('\n'), source: '' }));
    const { days, last } = airOf(workshop);
    expect(days.map(({ rh }) => rh)).toEqual([50, 60]);
    expect(last).toMatchObject({ celsius: 19, rh: 60 });
  });

  it('a damp spell is told while it lasts', () => {
    const hours = Array.from({ length: 16 }, (_, index) =>
      new Date(workshop.now().getTime() - (index + 1) * 3 * 3_600_000).toISOString(),
    );
    value(importAir.act(workshop, { text: ['time,temp,humidity', ...hours.map((at) => `${at},17,78`)].join('\n'), source: 'x' }));
    expect(spellOf(workshop)).toEqual({ kind: 'now', rh: 78 });
    workshop.pass(60 * 24 * 3);
    expect(spellOf(workshop)).toEqual({ kind: 'none' });
  });
});
