'use client';
/* The simulated tape: an invented frame to measure, press and measure again; nothing of it counts as a reading of this job. */
import { printed } from '@/core/quantities/printed';
import { randomLcg } from 'd3-random';
import { useState } from 'react';
import { type PracticeFrame, practiceFrame, pressed, readPractice } from '@/core/frame/square/practiceTape';
import { TAPE_NAMES } from '@/core/frame/square/corners';
import { NOTHING_READ, type TapeReadings } from '@/core/frame/square/readings';
import { assumed } from '@/core/house/houseRules';
import type { JobInputs } from '@/core/job/job';
import { MOST_TRIES, type SquareInputs } from '@/core/stages/square/squareInputs';
import { type SquarePlan, tapeReadings } from '@/core/stages/square/planSquare';
import { length, printFine } from '@/core/units/length';
import { NumberField, Tick } from '@/ui/form/fields';
import { useWorkshop } from '@/ui/WorkshopContext';

const BLANK = { ...NOTHING_READ, tries: [] };

const asInputs = (readings: TapeReadings): Partial<SquareInputs> =>
  Object.fromEntries(TAPE_NAMES.map((name) => [name, length(readings[name]!)]));

export function PracticeTape({
  inputs,
  plan,
  locked,
  change,
}: {
  inputs: JobInputs;
  plan: SquarePlan;
  locked: boolean;
  change: (patch: Partial<SquareInputs>) => void;
}) {
  const { rules, tape } = useWorkshop();
  const [seed, setSeed] = useState(7);
  const [slip, setSlip] = useState(false);
  const [play, setPlay] = useState<{ frame: PracticeFrame; random: () => number; told: boolean } | null>(null);
  const { square, brief } = inputs;
  const tapeMm = assumed(rules, 'tapePrecision');
  const practising = square.tape === 'practice';
  const busy = !practising && TAPE_NAMES.some((name) => square[name] !== null);
  /** A slip of 5 to 9 mm in one reading, from the same source. */
  const misread = (random: () => number) =>
    slip
      ? { name: TAPE_NAMES[Math.floor(random() * 6)]!, offMm: (random() < 0.5 ? -1 : 1) * (5 + Math.round(4 * random())) }
      : null;

  const start = () => {
    const random = randomLcg((seed * 0.6180339887) % 1);
    const errors = { pairMm: assumed(rules, 'pairPrecision'), nominalMm: assumed(rules, 'nominalPrecision') };
    const frame = practiceFrame({ widthMm: brief.width.mm, heightMm: brief.height.mm }, errors, 5, random);
    setPlay({ frame, random, told: false });
    change({ ...BLANK, ...asInputs(readPractice(frame, tapeMm, random, misread(random))), tape: 'practice' });
  };
  const again = (press: boolean) => {
    if (!play || plan.result.kind !== 'fitted') return;
    // A hand presses by the middle of what is asked, give or take a tenth.
    const frame = press ? pressed(play.frame, plan.result.slideMm.value * (0.9 + 0.2 * play.random())) : play.frame;
    setPlay({ ...play, frame, told: false });
    change({
      ...asInputs(readPractice(frame, tapeMm, play.random, misread(play.random))),
      ...(press ? { tries: [...square.tries, tapeReadings(square)].slice(-MOST_TRIES) } : {}),
    });
  };
  const away = () => {
    setPlay(null);
    change({ ...BLANK, tape: 'own' });
  };

  return (
    <div className="grid gap-x-6 gap-y-2 text-[14px] sm:grid-cols-[170px_1fr]">
      <div className="space-y-1.5">
        <NumberField label="Frame number" of="frameNumber" value={seed} onChange={(value) => setSeed(Math.round(value))} />
        <Tick label="One reading slips" checked={slip} onChange={setSlip} />
      </div>
      <div className="space-y-2">
        <p className="soft leading-5">
          An invented frame of this size and a tape with ± {printed('uncertainty', tapeMm, tape)} of noise, to learn on. The same
          number gives the same frame. A record from it is stopped: put it away before you measure.
        </p>
        <div className="flex flex-wrap gap-2">
          <button type="button" className="btn btn-sm btn-outline" disabled={locked || busy} onClick={start}>
            Measure the practice frame
          </button>
          <button type="button" className="btn btn-sm btn-outline" disabled={locked || !play} onClick={() => again(false)}>
            Read all again
          </button>
          <button type="button" className="btn btn-sm btn-outline" disabled={locked || !play} onClick={() => again(true)}>
            Press as advised, read again
          </button>
          <button
            type="button"
            className="btn btn-sm btn-ghost"
            disabled={!play}
            onClick={() => play && setPlay({ ...play, told: true })}
          >
            Show the true shape
          </button>
          <button type="button" className="btn btn-sm btn-ghost" disabled={locked || !practising} onClick={away}>
            Put it away
          </button>
        </div>
        {busy && <p className="soft">Your own readings stand there: they are not overwritten. Clear them to practise.</p>}
        {play?.told && (
          <p className="figure" role="status">
            Really: {TAPE_NAMES.map((name) => `${name} ${printFine(play.frame.truth[name], tape)}`).join(', ')}.
          </p>
        )}
      </div>
    </div>
  );
}
