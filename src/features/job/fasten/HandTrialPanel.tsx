'use client';
/* A hand tried on the kitchen scale: a feel is pulled to three times, and what the scale showed is kept. */
import { NEWTONS_PER_KG } from '@/core/quantities/quantities';
import { printed } from '@/core/quantities/printed';
import { randomNormal } from 'd3-random';
import { useState } from 'react';
import { HAND_FEELS, type Hand, type HandFeelId, type HandNoise } from '@/core/fasten/hand';
import { Choice, NumberField, Tick } from '@/ui/form/fields';
import { useAwake } from '@/ui/useAwake';
import { useWorkshop } from '@/ui/WorkshopContext';
import { ActButton, FormScope, FormTrouble } from '@/ui/form/Form';
import { useWrite } from '../../useWrite';

interface HandTrialPanelProps {
  hand: Hand | null;
  noise: HandNoise | null;
}

const PULLS = 3;
const PULL_NAMES = ['First', 'Second', 'Third'];
const NOT_PULLED: (number | null)[] = Array.from({ length: PULLS }, () => null);

/** What the practice scale is pulled with, N, and how much that varies: an invented hand. */
const PRACTICE: Record<HandFeelId, number> = { light: 9, firm: 17, hard: 26, fingers: 38, pliers: 70 };
const practicePull = randomNormal(1, 0.12);

export function HandTrialPanel({ hand, noise }: HandTrialPanelProps) {
  const { maker } = useWorkshop();
  const awake = useAwake();
  const write = useWrite();
  const [feel, setFeel] = useState<HandFeelId>('firm');
  const [pulls, setPulls] = useState(NOT_PULLED);
  const [practice, setPractice] = useState(false);
  const pulledN = pulls.flatMap((one) => (one === null ? [] : [one]));
  const clear = () => setPulls(NOT_PULLED);
  const pull = () => {
    const next = pulls.indexOf(null);
    // A kitchen scale shows ten grams.
    const shown = (Math.round((100 * Math.max(1, PRACTICE[feel] * practicePull())) / NEWTONS_PER_KG) / 100) * NEWTONS_PER_KG;
    setPulls(pulls.map((one, index) => (index === next ? shown : one)));
  };
  const keep = () => write('keepHandTrial', { maker, feel, pulledN, simulated: practice }, clear);
  return (
    <FormScope>
      <div className="mt-1 grid gap-x-6 gap-y-2 text-[14px] md:grid-cols-[1.1fr_1fr]">
        <div className="space-y-2">
          <p className="max-w-prose">
            Nail a strip of the same cloth to a bar, hook a kitchen scale to it, and pull to the feel. Read the highest value. Let
            go, and do it {PULLS} times.
          </p>
          <fieldset disabled={!awake} className="grid grid-cols-2 gap-x-4 gap-y-1 sm:grid-cols-4">
            <Choice
              label="Pull to"
              value={feel}
              options={HAND_FEELS}
              onChange={(id) => {
                setFeel(id);
                clear();
              }}
            />
            {pulls.map((pulled, index) => (
              <NumberField
                key={index}
                label={`${PULL_NAMES[index]} pull`}
                of="trialPull"
                value={pulled}
                onChange={(value) => setPulls(pulls.map((one, at) => (at === index ? value : one)))}
                onClear={() => setPulls(pulls.map((one, at) => (at === index ? null : one)))}
              />
            ))}
          </fieldset>
          <div className="flex flex-wrap items-center gap-3">
            <Tick
              label="Practice scale"
              checked={practice}
              onChange={(on) => {
                setPractice(on);
                clear();
              }}
            />
            {practice && (
              <button type="button" className="btn btn-outline btn-sm h-9" disabled={pulledN.length === PULLS} onClick={pull}>
                Pull the practice scale
              </button>
            )}
            <ActButton className="btn btn-primary btn-sm h-9" disabled={pulledN.length < PULLS} act={keep}>
              Keep this feel
            </ActButton>
            {pulledN.length > 0 && (
              <span className="figure">
                {printed('pullRead', pulledN.reduce((sum, one) => sum + one, 0) / pulledN.length)} on the average
              </span>
            )}
          </div>
          <FormTrouble />
        </div>
        <div>
          {hand && (
            <ul className="figure" aria-label={`Feels of ${maker}`}>
              {hand.feels.map(({ feel: id, meanN, pulls }) => (
                <li key={id} className="hair-b flex justify-between py-0.5">
                  <span>{HAND_FEELS.find((one) => one.id === id)!.name}</span>
                  <span>
                    <strong>{printed('pullRead', meanN)}</strong> <span className="soft">({pulls} pulls)</span>
                  </span>
                </li>
              ))}
            </ul>
          )}
          <p className="soft mt-1">
            {noise
              ? `Hands of this house vary by ${printed('percent', 100 * noise.noise)} from pull to pull (${noise.pulls} pulls${noise.simulated ? ', on the practice scale: an invented hand' : ''}).`
              : 'From six pulls on, the house knows how much its hands vary; until then what is assumed counts.'}
          </p>
        </div>
      </div>
    </FormScope>
  );
}
