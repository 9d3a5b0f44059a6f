import { randomLcg } from 'd3-random';
import type { ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '@/core/house/houseRules';
import { type JobInputs, newInputs } from '@/core/job/job';
import { alikeCorners } from '@/core/stages/tune/tuneInputs';
import { type JobHistory, NO_HISTORY } from '@/core/log/jobHistory';
import { planJob } from '@/core/case/planJob';
import { batchRecipe } from '@/core/prime/coatRecipe';
import { analyseTaps } from '@/core/tension/tap/analyseTaps';
import { toEnd } from '@/core/toEnd';
import { length } from '@/core/units/length';
import type { Air } from '@/server/air/airWrites';
import { FormScope } from '@/ui/form/Form';
import { WorkshopProvider } from '@/ui/WorkshopContext';
import { AirChart } from '../../air/AirChart';
import { spellWords } from '../../air/spellWords';
import { Pot } from '../../ground/Pot';
import { simulatedScale } from '../../ground/kitchenScale';
import { CornersTurnPanel, driveWords } from './CornersTurnPanel';
import { simulatedTap } from './microphone';
import { TapCharts } from './TapCharts';
import { TapPanel } from './TapPanel';
import { TensionAirPanel } from './TensionAirPanel';
import { TensionPastPanel } from './TensionPastPanel';
import type { TuneStageProps } from './tuneProps';
import type { Taps } from './useTaps';

const html = (element: ReactElement) =>
  renderToStaticMarkup(
    <WorkshopProvider rules={DEFAULT_RULES} unit="mm" maker={null} device={null}>
      <FormScope>{element}</FormScope>
    </WorkshopProvider>,
  );
const plain = (element: ReactElement) =>
  html(element)
    .replace(/<[^>]+>/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

const NO_AIR: Air = { days: [], last: null, now: null, spell: { kind: 'none' } };
const days = Array.from({ length: 40 }, (_, index) => ({
  day: new Date(Date.UTC(2031, 0, 1 + index)).toISOString().slice(0, 10),
  celsius: 16,
  rh: 50 + index,
  leastRh: 45 + index,
  mostRh: 55 + index,
  simulated: false,
}));

function props(
  change: (inputs: JobInputs) => void = () => undefined,
  history: JobHistory = NO_HISTORY,
  air = NO_AIR,
): TuneStageProps {
  const inputs = newInputs('t', length(600), length(400));
  change(inputs);
  const plan = planJob(inputs, { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm'), history }, 0);
  return {
    jobId: 'job',
    live: inputs,
    inputs,
    plan,
    locked: false,
    fastened: true,
    view: 'back',
    onView: () => undefined,
    air,
    readAir: { celsius: null, rh: null },
    recordings: ['e1'],
    change: () => undefined,
    onKeep: async () => null,
    onWithdraw: async () => null,
  };
}
const tap = {
  at: '2031-01-02T10:00:00Z',
  tool: 'tap' as const,
  nPerM: 90,
  sdNPerM: 6,
  across: 80,
  down: 100,
  rh: 50,
  order: 0,
  entryId: 'e1',
};

describe('corners', () => {
  it('say what a round is, in turns of a bolt or depth of a key', () => {
    const bolt = { kind: 'bolt', pitchMm: Math.SQRT2 } as const;
    expect(driveWords(0.25, bolt)).toBe('¼ turn');
    expect(driveWords(1.5, bolt)).toBe('1½ turns');
    expect(driveWords(0.3, bolt)).toBe('0.3 turns');
    expect(driveWords(0.6, { kind: 'key', taper: 0.12 })).toBe('5 mm deeper');
    const text = plain(<CornersTurnPanel {...props((inputs) => (inputs.tune.corners = alikeCorners(length(0.6))))} />);
    expect(text).toMatch(/3 rounds over the corners , in each 1.7 mm deeper at every corner/);
    expect(text).toMatch(/Top left 0 mm .* 5 mm deeper/);
  });

  it('of a strainer are refused, and nothing to do is said', () => {
    expect(plain(<CornersTurnPanel {...props()} />)).toMatch(/Nothing is to go/);
    const glued = props((inputs) => Object.assign(inputs.bars, { profile: 'batten', joint: 'mitreGlued' }));
    expect(plain(<CornersTurnPanel {...glued} />)).toMatch(/^This is a strainer/);
  });
});

describe('the air of a canvas', () => {
  it('asks for air, then tells the band and how often it hangs', () => {
    expect(plain(<TensionAirPanel {...props()} />)).toMatch(/No air is read yet/);
    const history = { ...NO_HISTORY, tensions: [tap] };
    const text = plain(<TensionAirPanel {...props(undefined, history, { ...NO_AIR, days })} />);
    // 12 kN/m × 50 ppm = 0.6 N/m for one % RH: from 45 to 94 %.
    expect(text).toMatch(/^From 90 N\/m at 50 % RH it goes from 63.6|^From 90 N\/m at 50 % RH it goes from 64 to 93 N\/m/);
    expect(text).toMatch(/never hangs slack/);
  });

  it('a damp spell is put into words; the chart counts damp days', () => {
    expect(spellWords({ kind: 'none' })).toBeNull();
    expect(spellWords({ kind: 'now', rh: 78.4 })).toMatch(/^Damp: 78 % RH/);
    expect(spellWords({ kind: 'coming', rh: 72 })).toMatch(/tomorrow if it goes on so/);
    expect(html(<AirChart days={days} dampFrom={70} />)).toContain('damp from 70 % RH, 20 days');
  });
});

it('the past shows what was measured, opened and done, with its sound', () => {
  const history: JobHistory = {
    ...NO_HISTORY,
    tensions: [tap],
    turns: [{ at: '2031-01-03T10:00:00Z', order: 1, opened: { topLeft: 0.5, topRight: 0, bottomRight: 0, bottomLeft: 0 } }],
    remedies: [{ at: '2031-01-04T10:00:00Z', order: 2, remedy: 'keys', before: tap, after: null }],
  };
  const panel = <TensionPastPanel {...props(undefined, history)} />;
  expect(plain(panel)).toMatch(/Open the corners : 90 ± 6 N\/m before, not measured yet after .* corners opened by 0.5 mm, 0 mm/);
  expect(html(panel)).toContain('href="/api/job/job/tap/e1/Y"');
  expect(plain(<TensionPastPanel {...props()} />)).toMatch(/^Nothing is measured yet/);
});

it('the charts of three taps mark the notes of the cloth and say their frequencies', () => {
  const span = { a: 0.5, b: 0.4 };
  const of = (place: 'C' | 'X' | 'Y', number: number) => simulatedTap(place, span, 0.5, { tx: 200, ty: 200 }, number);
  const reading = toEnd(
    analyseTaps({ span, sigma: 0.5, sigmaPart: 0.05, taps: { C: of('C', 1), X: of('X', 2), Y: of('Y', 3) } }),
  );
  if (reading.kind !== 'read') throw new Error('not read');
  const markup = html(<TapCharts reading={reading} />);
  expect(markup).toMatch(/notes of the cloth: 1,1 at 2\d(\.\d)? Hz, /);
  expect(markup).not.toContain('NaN');
});

describe('the pot and the scale', () => {
  it('shows what goes in, and how glue is treated', () => {
    const recipe = batchRecipe([{ areaM2: 2, absorbMlPerM2: 160 }], { substance: 'animalGlue', waterParts: 12 }, 10);
    const text = plain(<Pot recipe={recipe} />);
    expect(text).toMatch(/Animal glue, dry 27 g dry Water 325 g 325 ml In the pot 352 g/);
    expect(text).toMatch(/60 to 65 °C at the most; it must never boil/);
    expect(text).toMatch(/Animal glue, dry to 27 g: 27 g more/);
  });

  it('the simulated scale weighs to the gram, lands a little beside, and tares', () => {
    const scale = simulatedScale(randomLcg(0.3));
    scale.pour(100);
    expect(Math.abs(scale.read() - 100)).toBeLessThanOrEqual(2);
    scale.tare();
    expect(scale.read()).toBe(0);
    scale.pour(-50);
    expect(scale.read()).toBe(0);
    scale.pour(10);
    expect(Math.abs(scale.read() - 10)).toBeLessThanOrEqual(1);
  });
});

describe('the tap meter', () => {
  const taps: Taps = {
    source: 'microphone',
    setSource: () => undefined,
    taps: {},
    done: [],
    next: 'C',
    listening: false,
    level: 0,
    warnings: [],
    problem: null,
    reading: null,
    busy: false,
    listen: () => undefined,
    stop: () => undefined,
    simulate: () => undefined,
    readFile: () => undefined,
    again: () => undefined,
  };
  const panel = (more: Partial<Taps> = {}, at = props()) => plain(<TapPanel {...at} taps={{ ...taps, ...more }} />);

  it('says what to do, and what a square metre weighs', () => {
    expect(panel()).toMatch(/Listen .*C in the middle X a quarter from the left.*Cloth and ground: 340 ± 17 g\/m²/);
    expect(panel({ listening: true, level: 0.5 })).toMatch(/Stop listening -6 dB below full/);
    expect(panel({ listening: true, level: 1 })).toMatch(/too loud, cut off/);
    expect(panel({ warnings: ['noise suppression'] })).toMatch(/The browser keeps noise suppression on/);
    expect(panel({ done: ['C'], next: 'X', problem: { says: 'Too loud.', doThis: 'Softer.' } })).toMatch(
      /C heard ✓ .* Too loud. Softer. Tap all again/,
    );
  });

  it('sends a large canvas to the weight, warns before paint, and tells what it will not believe', () => {
    const large = props((inputs) => Object.assign(inputs.brief, { width: length(1600), height: length(1300) }));
    expect(panel({}, large)).toMatch(/^Too large for a microphone: .* Use the weight/);
    expect(
      panel(
        {},
        props((inputs) => (inputs.brief.use = 'restretch')),
      ),
    ).toMatch(/Painted: one fingertip/);
    const reading = { kind: 'refused', place: 'Y', why: 'clipped', says: 'Cut off.', doThis: 'Softer.' } as const;
    expect(panel({ next: null, reading })).toMatch(/Tap Y: Cut off. Softer./);
    expect(panel({ next: null, busy: true })).toMatch(/Reading the taps/);
    expect(panel({}, { ...props(), fastened: false })).toMatch(/Fasten the cloth first/);
  });
});
