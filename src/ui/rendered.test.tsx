import type { ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '@/core/house/houseRules';
import { verdict } from '@/core/job/verdict';
import { length } from '@/core/units/length';
import { point, rectangle, type Scene } from '@/drawing/scene/scene';
import { clockPart, clockWords } from './Clock';
import { Drawing } from './drawing/Drawing';
import { FormScope } from './form/Form';
import { Figure, fractionParts } from './drawing/Figure';
import { Choice, LengthField, NumberField, ReadingField } from './form/fields';
import { Tabs } from './Tabs';
import { VerdictList } from './VerdictList';
import { WorkshopProvider } from './WorkshopContext';

const html = (element: ReactElement, unit: 'mm' | 'in' = 'mm') =>
  renderToStaticMarkup(
    <WorkshopProvider rules={DEFAULT_RULES} unit={unit} maker={null} device={null}>
      <FormScope>{element}</FormScope>
    </WorkshopProvider>,
  );
const plain = (markup: string) =>
  markup
    .replace(/<[^>]+>/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
const nothing = () => undefined;

describe('figures', () => {
  it('set the fraction apart and leave the whole number at its size', () => {
    expect(fractionParts('cut 24 3/16 × 11/2 in')).toEqual([
      { text: 'cut 24 ', fraction: false },
      { text: '3⁄16', fraction: true },
      { text: ' × ', fraction: false },
      { text: '11⁄2', fraction: true },
      { text: ' in', fraction: false },
    ]);
    expect(html(<Figure>1 1/2 in</Figure>)).toBe('1 <span class="frac">1⁄2</span> in');
    expect(html(<Figure>no fraction</Figure>)).toBe('no fraction');
  });
});

describe('verdicts', () => {
  const list = [
    verdict({ id: 'a', about: 'a', level: 'good', says: 'It holds.' }),
    verdict({
      id: 'b',
      about: 'b',
      level: 'stop',
      says: 'It bends 3 1/2 in.',
      doThis: 'Brace it.',
      because: 'Wood creeps.',
      measured: 3.456,
      limit: 2,
      of: 'bow',
      uses: ['creep'],
    }),
    verdict({ id: 'c', about: 'c', level: 'watch', says: 'Look again.' }),
  ];
  const markup = html(<VerdictList verdicts={list} />);

  it('stand gravest first, told by word and not by colour alone', () => {
    expect([...markup.matchAll(/data-level="(\w+)"/g)].map((match) => match[1])).toEqual(['stop', 'watch', 'good']);
    expect(plain(markup)).toMatch(/Stop\..*It bends.*Watch\..*Look again.*Good\..*It holds/);
  });

  it('open to their numbers, limit, reason and assumptions with a way to change them', () => {
    expect(plain(markup)).toMatch(/Wood creeps\. 3\.46 mm, limit 2 mm Creep of wood under lasting load: 1\.7 × change/);
    expect(markup).toContain('href="/rules#creep"');
  });
});

describe('fields', () => {
  it('show what was typed, and the other system beside it', () => {
    expect(plain(html(<LengthField label="Width" of="faceLength" value={length(914.4)} onChange={nothing} />))).toContain(
      '36 in',
    );
    const inches = html(<LengthField label="Width" of="faceLength" value={length(914.4, 'in')} onChange={nothing} />);
    expect(inches).toContain('value="36&quot;"');
    expect(plain(inches)).toContain('914.5 mm');
  });

  it('have a label of their own, a unit, and no error before there is one', () => {
    const markup = html(<NumberField label="Tension" of="tension" value={250} onChange={nothing} />);
    const id = /<label for="([^"]+)"/.exec(markup)?.[1];
    expect(markup).toContain(`id="${id}"`);
    expect(markup).toContain('aria-invalid="false"');
    expect(plain(markup)).toBe('Tension N/m');
  });

  it('leave a reading empty until it is read, in the unit in hand', () => {
    expect(plain(html(<ReadingField label="Top" of="sideReading" value={null} onChange={nothing} />, 'in'))).toBe('Top in');
    expect(html(<ReadingField label="Top" of="sideReading" value={null} onChange={nothing} />)).toContain('value=""');
  });

  it('offer named choices', () => {
    const options = [
      { id: 'a', name: 'First' },
      { id: 'b', name: 'Second' },
    ] as const;
    expect(html(<Choice label="Which" value="b" options={options} onChange={nothing} />)).toMatch(
      /<option value="b" selected="">Second/,
    );
  });
});

describe('clocks', () => {
  const noon = new Date(2031, 4, 4, 12).getTime();
  const at = (minutes: number) => new Date(noon + minutes * 60_000).toISOString();

  it('count down, then say since when', () => {
    expect(clockWords(at(130), noon)).toEqual({ ready: false, words: '2 h 10 min left, until 14:10' });
    expect(clockWords(at(167), noon).words).toBe('2 h 47 min left, until 14:47');
    expect(clockWords(at(0.2), noon).words).toBe('1 min left, until 12:00');
    expect(clockWords(at(-140), noon)).toEqual({ ready: true, words: 'ready since 09:40' });
    expect(clockWords(at(26 * 60), noon).words).toBe('26 h left, until Mon 5 May 14:00');
  });

  it('fill from start to end and no further', () => {
    expect([-10, 0, 30, 60, 90].map((minutes) => clockPart(at(0), at(60), noon + minutes * 60_000))).toEqual([0, 0, 0.5, 1, 1]);
    expect(clockPart(at(0), at(0), noon)).toBe(1);
  });
});

describe('the drawing on the screen', () => {
  const scene: Scene = {
    bounds: { minX: 0, minY: 0, maxX: 600, maxY: 400 },
    padPx: { top: 80, right: 78, bottom: 80, left: 78 },
    marks: [
      { kind: 'area', points: rectangle(0, 0, 600, 400), role: 'cloth' },
      { kind: 'dimension', from: point(600, 400), to: point(0, 400), offPx: 30, text: '23 5/8 in' },
      { kind: 'words', at: point(300, 200), text: 'Top', anchor: 'middle', role: 'quiet' },
    ],
    says: 'A cloth.',
  };
  const markup = html(<Drawing scene={scene} tape={tapeFor(DEFAULT_RULES, 'mm')} />);

  it('fits the bounds between the margins, one scale both ways', () => {
    // The first guess of the box is 756 × 560: 600 × 400 mm fit at exactly one pixel a millimetre.
    expect(markup).toContain('d="M78 80L678 80L678 480L78 480Z"');
    expect(markup).toContain('aria-label="A cloth."');
  });

  it('breaks the dimension line round its figure and sets the fraction', () => {
    expect(markup).toMatch(/<tspan>23 <\/tspan><tspan class="frac">5⁄8<\/tspan><tspan> in<\/tspan>/);
    expect(markup).toMatch(/M678 510L4\d\d(\.\d)? 510M3\d\d(\.\d)? 510L78 510/);
  });

  it('turns the figure beside a line that is too short for it, so that it meets no line further out; a mere tick has it level', () => {
    const beside = (heightMm: number) => {
      const marks: Scene['marks'] = [
        { kind: 'dimension', from: point(3000, 0), to: point(3000, heightMm), offPx: 24, text: 'face 300 mm' },
      ];
      const wide = { ...scene, bounds: { minX: 0, minY: 0, maxX: 3000, maxY: 300 }, marks };
      return /<text.*?face 300/.exec(html(<Drawing scene={wide} tape={tapeFor(DEFAULT_RULES, 'mm')} />))![0];
    };
    expect(beside(300)).toContain('rotate(-90');
    expect(beside(50)).not.toContain('rotate');
  });

  it('has a scale bar that is true, in the unit in hand', () => {
    expect(plain(markup)).toContain('100 mm');
    expect(markup).toContain('M16 548h100');
    expect(plain(html(<Drawing scene={scene} tape={tapeFor(DEFAULT_RULES, 'in')} />))).toMatch(/4 in$/);
  });
});

describe('tabs', () => {
  it('show the first, name all, and put one in the way of the Tab key', () => {
    const tabs = ['Choose', 'Bow'].map((name) => ({ id: name, name, show: () => <p>{name} in sight</p> }));
    const markup = html(<Tabs label="Bars" tabs={tabs} />);
    expect(markup).toMatch(/role="tablist" aria-label="Bars"/);
    expect(plain(markup)).toBe('Choose Bow Choose in sight');
    expect(markup.match(/aria-selected="(true|false)"/g)).toEqual(['aria-selected="true"', 'aria-selected="false"']);
    expect(markup.match(/role="tab"[^>]*tabindex="(0|-1)"/gi)!.map((tab) => /tabindex="(.+?)"/i.exec(tab)![1])).toEqual([
      '0',
      '-1',
    ]);
    expect(markup).toMatch(/role="tabpanel"/);
  });
});

describe('a part that can be moved', () => {
  const scene: Scene = {
    bounds: { minX: 0, minY: 0, maxX: 900, maxY: 600 },
    padPx: { top: 0, right: 0, bottom: 0, left: 0 },
    marks: [
      {
        kind: 'area',
        points: rectangle(430, 0, 40, 600),
        role: 'brace',
        grab: { id: 'upright 0', along: 'x', sign: 1, says: 'Upright brace 1', valueMm: 450, mostMm: 900, valueText: '450 mm' },
      },
    ],
    says: 'A frame.',
  };
  const tape = tapeFor(DEFAULT_RULES, 'mm');

  it('is a slider with its value and unit where it can be moved, and part of the picture where it cannot', () => {
    const moved = html(<Drawing scene={scene} tape={tape} onMove={nothing} />);
    expect(moved).toMatch(/role="group" aria-label="A frame\."/);
    expect(moved).toMatch(/role="slider" tabindex="0" aria-label="Upright brace 1"/i);
    expect(moved).toMatch(/aria-valuenow="450" aria-valuetext="450 mm"/);
    const still = html(<Drawing scene={scene} tape={tape} />);
    expect(still).toMatch(/role="img"/);
    expect(still).not.toMatch(/slider/);
  });
});
