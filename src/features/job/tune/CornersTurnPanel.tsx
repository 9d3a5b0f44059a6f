'use client';
/* Keys and bolts: what each corner is to open, what that takes, round by round, and every turn recorded. */
import { printed } from '@/core/quantities/printed';
import type { SideWords } from '@/core/job/sideWords';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { useState } from 'react';
import { CORNERS, type Corner } from '@/core/frame/square/corners';
import { alikeCorners } from '@/core/stages/tune/tuneInputs';
import { capital } from '@/core/painting/paintingVerdicts';
import { NOT_OPENED, type Opener, type Openings, driveFor, eachCorner, openingBy } from '@/core/tension/openCorners';
import { type Length, length, printFine } from '@/core/units/length';
import { LengthField, NumberField } from '@/ui/form/fields';
import { ActButton, FormScope, FormTrouble } from '@/ui/form/Form';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { TuneStageProps } from './tuneProps';

/** "1/4 turn", "1.6 mm deeper". */
export function driveWords(openingMm: number, opener: Opener): string {
  const drive = driveFor(openingMm, opener);
  if (opener.kind === 'key') return printed('keyDepth', drive);
  const quarters = drive * 4;
  return Math.abs(quarters - Math.round(quarters)) < 0.02 ? `${turnsWords(Math.round(quarters))}` : printed('boltTurns', drive);
}

const QUARTERS = ['', '¼', '½', '¾'];
const turnsWords = (quarters: number): string => {
  const whole = Math.floor(quarters / 4);
  return `${whole > 0 || quarters === 0 ? whole : ''}${QUARTERS[quarters % 4]} ${quarters > 4 ? 'turns' : 'turn'}`;
};

export function CornersTurnPanel({ live, plan, locked, fastened, change, onKeep }: TuneStageProps) {
  const { tape } = useWorkshop();
  const say = useSideWords();
  const { opener, soFar, wanted, binds, steps, addsWidthNPerM, addsHeightNPerM } = plan.tune;
  const { corners } = live.tune;
  const [own, setOwn] = useState<Openings>(NOT_OPENED);
  if (!opener)
    return (
      <p className="max-w-prose text-[14.5px]">
        This is a strainer: its corners are fixed and do not open. Draw the fasteners and stretch again, or leave it.
      </p>
    );
  const first = steps[0];
  const record = (opened: Openings) => onKeep('keepTurns', { note: '', opened }, () => setOwn(NOT_OPENED));
  const quarter = opener.kind === 'bolt' ? openingBy(0.25, opener) : openingBy(1, opener);
  return (
    <div className="grid gap-x-6 gap-y-2 sm:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]">
      <div>
        <table className="figure w-full text-[14px] [&_td]:py-0.5 [&_td]:pr-2">
          <thead className="soft text-left text-[13px]">
            <tr className="hair-b">
              <th className="font-normal">corner</th>
              <th className="font-normal">open so far</th>
              <th className="w-[112px] font-normal">open to</th>
              <th className="font-normal">to go</th>
            </tr>
          </thead>
          <tbody>
            {say.corners.map((corner) => {
              const toGo = wanted[corner] - soFar[corner];
              return (
                <tr key={corner} className="hair-b">
                  <td>{capital(say.corner(corner))}</td>
                  <td>{printFine(soFar[corner], tape)}</td>
                  <td>
                    <LengthField
                      label={`Open ${say.corner(corner)} to`}
                      of="opening"
                      hideLabel
                      value={corners[corner]}
                      onChange={(to) => change({ corners: { ...corners, [corner]: to } })}
                      disabled={locked}
                    />
                  </td>
                  <td>{toGo > 0.0005 ? driveWords(toGo, opener) : toGo < -0.0005 ? 'open further' : 'there'}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <div className="mt-1.5 flex flex-wrap gap-2">
          <button
            type="button"
            className="btn btn-outline btn-sm h-9"
            disabled={locked}
            onClick={() => {
              const most = Math.max(...CORNERS.map((corner) => Math.max(corners[corner].mm, soFar[corner])));
              change({ corners: alikeCorners(length(Math.round((most + quarter) * 1000) / 1000, 'mm')) });
            }}
          >
            All four {opener.kind === 'bolt' ? 'a quarter turn' : '1 mm deeper'} more
          </button>
          <button
            type="button"
            className="btn btn-ghost btn-sm h-9"
            disabled={locked}
            onClick={() => change({ corners: asOpened(corners, soFar) })}
          >
            As they are
          </button>
        </div>
      </div>
      <div className="space-y-1.5 text-[14px]">
        {first ? (
          <>
            <p>
              <strong>{steps.length === 1 ? 'One round' : `${steps.length} rounds`} over the corners</strong>, in each{' '}
              {roundWords(first.drive, opener, say)}. In all about + {printed('tension', addsWidthNPerM)} across, +{' '}
              {printed('tension', addsHeightNPerM)} down. Measure the diagonals after each round.
            </p>
            <ActButton className="btn btn-primary btn-sm h-9 w-full" disabled={!fastened} act={() => record(first.opens)}>
              Record this round
            </ActButton>
          </>
        ) : (
          <p className="soft">
            {binds
              ? 'Opened so far it would bind in its frame: open less, or widen the rebate.'
              : 'Nothing is to go. Say how far the corners are to open, and it is divided into rounds.'}
          </p>
        )}
        <details>
          <summary className="cursor-pointer">Record what was actually done</summary>
          <FormScope>
            <div className="mt-1 grid grid-cols-2 gap-2">
              {say.corners.map((corner) => (
                <NumberField
                  key={corner}
                  label={`${capital(say.corner(corner))} by`}
                  of={opener.kind === 'bolt' ? 'boltTurns' : 'keyDepth'}
                  value={own[corner]}
                  onChange={(value) => setOwn({ ...own, [corner]: value })}
                />
              ))}
            </div>
            <FormTrouble />
            <ActButton
              className="btn btn-outline btn-sm mt-1.5 h-9"
              disabled={!fastened || CORNERS.every((corner) => own[corner] === 0)}
              act={() => record(eachCorner((corner) => openingBy(own[corner], opener)))}
            >
              Record these
            </ActButton>
          </FormScope>
        </details>
      </div>
    </div>
  );
}

/** The openings wanted set to those that are there, each in the unit it was typed in. */
const asOpened = (corners: Record<Corner, Length>, soFar: Openings): Record<Corner, Length> =>
  Object.fromEntries(CORNERS.map((corner) => [corner, length(soFar[corner], corners[corner].unit)])) as Record<Corner, Length>;

function roundWords(drive: Openings, opener: Opener, say: SideWords): string {
  const words = (corner: Corner) => driveWords(openingBy(drive[corner], opener), opener);
  const alike = CORNERS.every((corner) => Math.abs(drive[corner] - drive.topLeft) < 1e-6);
  if (alike) return `${words('topLeft')} at every corner`;
  return CORNERS.filter((corner) => drive[corner] > 1e-6)
    .map((corner) => `${say.corner(corner)} ${words(corner)}`)
    .join(', ');
}
