import 'reflect-metadata';
import { beforeEach, describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { format } from 'date-fns';
import { randomLcg } from 'd3-random';
import { profilesOf, fabricsOf } from '@/core/house/materials';
import { DEFAULT_RULES } from '@/core/house/houseRules';
import { length } from '@/core/units/length';
import { listAir } from '@/db/airReadings';
import { listJobs } from '@/db/jobs';
import { listRackMoves } from '@/db/rackBars';
import { type TestWorkshop, contentOf, demoWorkshop, newJob, testWorkshop, value, wordsOf, workUpTo } from '../testWorkshop';
import { clothStore } from '../cloth/clothWrites';
import { groundsOf } from '../ground/groundWrites';
import { importAir, readSimulatedAir } from '../air/airWrites';
import { addToRack, rackBars } from '../rack/rackWrites';
import { houseRules } from '../house/houseRuleWrites';
import { toEnd } from '@/core/toEnd';
import { andWrite } from '../write/outcome';
import type { FileRequest } from '../file/fileRequests';
import { type Request, carryOut } from '../writes';
import type { Workshop } from '../workshop';
import { LIST_IDS, type ListId } from './list';
import * as cases from './listWrites';
import { printLines, printRows, readTable, textCells } from './csvTable';

let workshop: TestWorkshop;
beforeEach(() => {
  workshop = testWorkshop();
});

const lookAtList = (of: Workshop, request: FileRequest<'lookAtList'>) => toEnd(cases.lookAtList(of, request));
const takeInList = (of: Workshop, request: Omit<Request<'takeInList'>, 'requestId'>) =>
  andWrite(toEnd(cases.takeInList.workOut(of, request)));
const asked = (list: ListId, text: string, unit: 'mm' | 'in' = 'mm') => ({ list, text, unit, maker: 'Me' });
const look = (list: ListId, text: string) => lookAtList(workshop, asked(list, text));
const takeIn = (list: ListId, text: string) => takeInList(workshop, { ...asked(list, text), seen: value(look(list, text)).seen });
const file = (list: ListId, unit: 'mm' | 'in' = 'mm', of = workshop) => [...cases.listFile(of, list, unit)].join('');
const says = (list: ListId, text: string) => value(look(list, text)).changes.map((one) => `${one.what}: ${one.says}`);

describe('a table', () => {
  const columns = { one: textCells('one', 40), two: textCells('two', 40) };
  const read = (text: string) => value(readTable(text, columns)).rows.map(({ one, two }) => [one, two]);

  it('gives back every cell as it was, and none that a spreadsheet takes for a formula', () => {
    const cells = [
      '=1+1',
      '+x',
      '-x',
      '@sum',
      "'=1",
      "''@",
      '-5',
      'a,b',
      'a"b',
      'two\nlines',
      'ü “é” 木',
      "o'clock",
      ';',
      '\tx'.trim(),
    ];
    const rows = cells.map((one) => ({ one, two: 'x' }));
    const text = printRows(columns, rows, 'mm', true);
    expect(read(text)).toEqual(cells.map((one) => [one, 'x']));
    // No cell begins as a formula does, quoted or not.
    expect(text.split(/\r\n/).filter((line) => /^"?[=+@]/.test(line) || /^"?-[^\d]/.test(line))).toEqual([]);
    expect(text.startsWith('\uFEFFone,two\r\n')).toBe(true);
  });

  it('is read with other separators, columns in any order, and blank lines; a wrong one is told by its line', () => {
    expect(read('Two;One\r\n\r\nb;a\n')).toEqual([['a', 'b']]);
    expect(wordsOf(readTable('one\nx', columns))).toBe('No column “two”. The names on top are “one”; they should be one, two.');
    expect(wordsOf(readTable('one,two', columns))).toBe('This table has no rows under its names.');
    expect(wordsOf(readTable('one,one,two\na,b,c', columns))).toBe('Two columns are called “one”.');
    expect(wordsOf(readTable('one,two\n"a,b', columns))).toMatch(/a quote is opened and not closed/);
    expect(wordsOf(readTable('one,two\na,b,c', columns))).toBe('line 2: has 3 cells where there are 2 names');
    expect(wordsOf(readTable(`one,two\na,\n${'x'.repeat(41)},b`, columns))).toMatch(
      /line 2, two: “” is empty[^]*line 3, one: .* has 41 letters/,
    );
  });
});

describe('jobs as a list', () => {
  it('come in as new briefs with their units, all or none, and only as they were looked at', () => {
    const text = 'Title,Width (in),Height,due,use\nPier,24,"18 1/2""",2031-06-01,New support\n"Mole, north",12 3/16,450 mm,,';
    expect(says('jobs', text)).toEqual(['new: Pier, 610 × 470 mm, due 2031-06-01', 'new: Mole, north, 310 × 450 mm']);
    expect(listJobs(workshop.database)).toEqual([]);
    const { seen } = value(look('jobs', text));
    expect(wordsOf(takeInList(workshop, { ...asked('jobs', text.replace('Pier', 'Quay')), seen }))).toMatch(/look at it again/);
    expect(value(takeIn('jobs', text))).toEqual({ new: 2, changed: 0, gone: 0, same: 0 });
    const [pier, mole] = listJobs(workshop.database).map(({ inputs }) => inputs.brief);
    expect(pier).toMatchObject({ title: 'Pier', width: length(609.6, 'in'), height: length(469.9, 'in'), dueOn: '2031-06-01' });
    expect(mole).toMatchObject({ title: 'Mole, north', height: length(450), dueOn: null });
    // Read again, those with their number are known; without it they are told to be twins.
    expect(says('jobs', text)[0]).toMatch(/; No\. 101 has this title and size too$/);
    expect(value(look('jobs', file('jobs'))).counts).toEqual({ new: 0, changed: 0, gone: 0, same: 2 });
    const before = contentOf(workshop.database);
    const wrong = `${text}\nWide,5 m,400,,`;
    expect(wordsOf(look('jobs', wrong))).toBe(
      'line 4, width: “5 m” is above 157 7/16 in. Type 2 in to 157 7/16 in, in any unit.',
    );
    expect(wordsOf(look('jobs', `${text}\nSoon,20,400,2031-02-30,`))).toMatch(/^line 4, due: “2031-02-30” is no day/);
    expect(contentOf(workshop.database)).toBe(before);
  });

  it('go out with their stage, in the unit asked for', () => {
    const id = newJob(workshop);
    workUpTo(workshop, id, 'cloth');
    expect(file('jobs', 'in')).toMatch(/^\uFEFFnumber,title,width \(in\).*stage\r\n101,[^\r]*,Fasten\r\n$/);
  });
});

describe('materials and their prices', () => {
  it('come back unchanged in either unit', () => {
    for (const list of ['bars', 'woods', 'cloths', 'prices'] as const)
      for (const unit of ['mm', 'in'] as const) {
        const { counts } = value(look(list, file(list, unit)));
        expect([list, unit, counts.new, counts.changed, counts.gone]).toEqual([list, unit, 0, 0, 0]);
        value(takeIn(list, file(list, unit)));
      }
    expect(houseRules(workshop).rules.materials).toEqual(DEFAULT_RULES.materials);
  });

  it('are changed and added by their ids, with what differs said; what cannot be is refused', () => {
    const [bar] = profilesOf(DEFAULT_RULES);
    const bars = file('bars').replace(`${bar!.id},${bar!.name},${bar!.widthMm}`, `${bar!.id},${bar!.name},"2 1/8"""`);
    expect(says('bars', bars)).toEqual([`changed: ${bar!.name}: width ${bar!.widthMm} → 53.975 mm`.replace('53.975', '53.9750')]);
    value(takeIn('bars', bars));
    const { materials } = houseRules(workshop).rules;
    expect(materials.profiles.map(({ id, widthMm, pairs }) => [id, widthMm, pairs])).toEqual([[bar!.id, 53.975, bar!.pairs]]);
    const woods = 'id,name,stiffness GPa,density kg/m3\nfir,Fir,12,480\nfir2,Fir,200,480';
    expect(wordsOf(look('woods', woods))).toMatch(/^line 3, stiffness gpa: “200” is out of range. Type 1 to 30 GPa/);
    const twice = 'id,name,stiffness GPa,density kg/m3\nfir,Fir,12,480\nfir,Fir again,12,480';
    expect(wordsOf(look('woods', twice))).toMatch(/stands twice/);
    const cloth = fabricsOf(DEFAULT_RULES)[0]!;
    const prices = `of,material,size (in),price\nroll,"${cloth.name}",84,12.50\nmetre of a roll,${cloth.id},72,"11,00"`;
    const told = says('prices', prices);
    expect(told).toContain(`new: ${cloth.name}, metre of a roll, 2134 mm: €12.50`);
    expect(told.filter((one) => one.startsWith('gone'))).toHaveLength(cloth.rolls.length);
    value(takeIn('prices', prices));
    expect(fabricsOf(houseRules(workshop).rules)[0]!.rolls).toEqual([
      { mm: 1828.8, priceMinor: 1100 },
      { mm: 2133.6, priceMinor: 1250 },
    ]);
    expect(wordsOf(look('prices', `of,material,size,price\npair,${cloth.id},500,1`))).toBe(
      'Line 2: a pair of bars is not of this material.',
    );
  });
});

describe('what lies in the workshop', () => {
  it('the rack is what was counted: more, less and gone, each a move', () => {
    const bar = { profile: 'deep', kind: 'pairs', family: 'plain', mark: '', maker: 'Me' } as const;
    value(addToRack.act(workshop, { ...bar, lengthMm: 600, count: 4 }));
    value(addToRack.act(workshop, { ...bar, lengthMm: 914.4, count: 2 }));
    const text = file('rack', 'in');
    expect(value(look('rack', text)).counts).toEqual({ new: 0, changed: 0, gone: 0, same: 2 });
    const counted = 'bar,kind,family,length,count\ndeep,slotted bar,plain,600,1\ndeep,pairs,plain,50 cm,3';
    expect(value(look('rack', counted)).counts).toEqual({ new: 1, changed: 1, gone: 1, same: 0 });
    const moves = listRackMoves(workshop.database).length;
    value(takeIn('rack', counted));
    expect(rackBars(workshop).map(({ lengthMm, count }) => [lengthMm, count])).toEqual([
      [500, 3],
      [600, 1],
    ]);
    expect(listRackMoves(workshop.database)).toHaveLength(moves + 3);
    expect(wordsOf(look('rack', `${counted}\ndeep,timber,plain,600,501`))).toMatch(
      /^line 4, count: “501” is out of range. Type 1 to 500/,
    );
    expect(wordsOf(look('rack', `${counted}\ndeep,pairs,plain,600,2`))).toMatch(/^Line 4: these bars stand above already/);
  });

  it('rolls change their length by their tag, grounds their amount; neither becomes another', () => {
    const rolls = 'tag,kind,cloth,width,length\nR7,roll,cotton10,210 cm,9.5 m';
    const cloth = fabricsOf(DEFAULT_RULES)[0]!.id;
    value(takeIn('rolls', rolls.replace('cotton10', cloth)));
    expect(clothStore(workshop)).toMatchObject([{ tag: 'R7', widthMm: 2100, lengthMm: 9500, selvedgeMm: 0 }]);
    expect(says('rolls', rolls.replace('cotton10', cloth).replace('9.5', '7'))).toEqual(['changed: R7: 9500 mm → 7000 mm']);
    expect(wordsOf(look('rolls', rolls.replace('cotton10', cloth).replace('210', '160')))).toMatch(/only its length can change/);
    value(takeIn('grounds', 'substance,amount,unit,price a kg or litre\nacrylicGround,750,ml,19.50'));
    expect(groundsOf(workshop).stock).toMatchObject([{ substance: 'acrylicGround', amount: 750, priceMinor: 1950 }]);
    expect(wordsOf(look('grounds', 'substance,amount,unit,price a kg or litre\nacrylicGround,750,g,19.50'))).toMatch(
      /is kept in ml, not in g/,
    );
  });

  it('air goes out and comes in elsewhere the same; what was simulated stays so', () => {
    value(readSimulatedAir.act(workshop, {}));
    value(
      importAir.act(workshop, { text: 'time,temp,hum\n2031-05-03 06:00,18.5,55\n2031-05-03 09:00,-2,61.5', source: 'logger' }),
    );
    const other = testWorkshop();
    const text = file('air');
    value(takeInList(other, { ...asked('air', text), seen: value(lookAtList(other, asked('air', text))).seen }));
    const air = listAir(other.database, '');
    expect(air).toEqual(listAir(workshop.database, ''));
    expect(air.filter(({ simulated }) => !simulated)).toHaveLength(2);
  });
});

describe('of the demo workshop', () => {
  it('every list comes back with nothing to change, and the log says every reading', () => {
    workshop = demoWorkshop();
    for (const list of LIST_IDS.filter((one) => one !== 'log' && one !== 'toBuy')) {
      const { counts } = value(look(list, file(list, 'in')));
      expect([list, { ...counts, same: 0 }]).toEqual([list, { new: 0, changed: 0, gone: 0, same: 0 }]);
      expect(counts.same).toBeGreaterThan(0);
    }
    expect(wordsOf(look('log', 'a\nb'))).toMatch(/append-only|never read in/);
    expect(file('toBuy').split('\r\n').length).toBeGreaterThan(8);
    expect(wordsOf(look('toBuy', 'a\nb'))).toMatch(/worked out and written/);
    const count = (sql: string) => workshop.database.prepare<[], number>(sql).pluck().get()!;
    const lines =
      count('SELECT count(*) FROM reading') + count('SELECT count(*) FROM log_entry WHERE seq NOT IN (SELECT seq FROM reading)');
    expect(printLines([['x']])).toBe('x\r\n');
    const log = file('log').split('\r\n');
    expect(log).toHaveLength(lines + 2);
    const at = workshop.database.prepare<[], string>('SELECT at FROM log_entry ORDER BY seq').pluck().get()!;
    expect(log[1]!.split(',')[1]).toBe(format(new Date(at), 'yyyy-MM-dd HH:mm:ss'));
    expect(file('air').split('\r\n')[1]).toMatch(/^\d{4}-\d\d-\d\d \d\d:\d\d:\d\d(\.\d{3})?,/);
  });
});

it('a thousand spoilt files are refused in our words, or read; looking changes nothing', () => {
  workshop = demoWorkshop();
  const random = randomLcg(0.63);
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
  const before = contentOf(workshop.database);
  const files = LIST_IDS.map((list) => [list, file(list).slice(0, 3000)] as const);
  const junk = [
    '"',
    ',',
    '\n',
    '=cmd()',
    '\0',
    '9'.repeat(400),
    '-1',
    '1e9',
    'NaN',
    '__proto__',
    '\ud83c',
    '  ',
    '2031-02-30',
    '½',
  ];
  for (let turn = 0; turn < rounds(150, 1000); turn += 1) {
    const [list, whole] = pick(files);
    let text = whole;
    for (let times = 0; times < 3; times += 1) {
      const at = Math.floor(random() * text.length);
      text = text.slice(0, at) + pick(junk) + text.slice(at + Math.floor(random() * 6));
    }
    const outcome = look(list, text);
    if (!outcome.ok) expect(wordsOf(outcome)).not.toMatch(/SQLITE|constraint|undefined|NaN,|\[object|not a function/);
  }
  expect(contentOf(workshop.database)).toBe(before);
});

it('a long list of jobs lets others have their turn while it is worked out, and does what was seen though others wrote', async () => {
  const rows = Array.from({ length: 40 }, (_, index) => `Face ${index},${300 + 11 * index},${400 + 7 * index}`);
  const text = `title,width,height\n${rows.join('\n')}`;
  const steps = cases.lookAtList(workshop, asked('jobs', text));
  let turns = 0;
  let step = steps.next();
  for (; !step.done; step = steps.next()) turns += 1;
  expect(turns).toBeGreaterThanOrEqual(40);
  const { seen } = value(step.value);
  const request = { requestId: 'r-1', ...asked('jobs', text), seen };
  const taking = carryOut(workshop, 'takeInList', request);
  newJob(workshop, 'Meanwhile');
  expect(value(await taking)).toEqual({ new: 40, changed: 0, gone: 0, same: 0 });
  expect(listJobs(workshop.database)).toHaveLength(41);
  // Sent again after a lost answer: the same answer, and no more jobs.
  expect(value(await carryOut(workshop, 'takeInList', request))).toEqual({ new: 40, changed: 0, gone: 0, same: 0 });
  expect(listJobs(workshop.database)).toHaveLength(41);
});
