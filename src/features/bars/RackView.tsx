'use client';
/* The rack drawn to one scale, the frames its pairs make, and a slip to put bars there. */
import { useState } from 'react';
import { profileOf, profilesOf } from '@/core/house/materials';
import { type RackBar, makeableFrames } from '@/core/frame/sawing/rack';
import { length, printLength, printNumber } from '@/core/units/length';
import type { rackMoves } from '@/server/rack/undoRackMove';
import type { SeriesJob } from '@/server/rack/rackWrites';
import { Choice, LengthField, NumberField, TextField } from '@/ui/form/fields';
import { ActButton, Form, FormScope, FormTrouble, SendButton } from '@/ui/form/Form';
import { Figure } from '@/ui/drawing/Figure';
import { MoveList } from '@/ui/MoveList';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useWrite } from '../useWrite';

const KINDS = [
  { id: 'pairs', name: 'Slotted bar, ready' },
  { id: 'timber', name: 'Timber of its section' },
  { id: 'brace', name: 'Timber for its braces' },
] as const;
const KIND_WORDS = { pairs: 'slotted', timber: 'timber', brace: 'for braces' } as const;

export function RackView({ rack, moves, jobs }: { rack: RackBar[]; moves: ReturnType<typeof rackMoves>; jobs: SeriesJob[] }) {
  const { maker, tape } = useWorkshop();
  const write = useWrite();
  const [taken, setTaken] = useState<RackBar | null>(null);
  const add = ({ profile, kind, family, lengthMm, count, mark }: Omit<RackBar, 'id'>) =>
    write('addToRack', { profile, kind, family, lengthMm, count, mark, maker }, () => setTaken(null));
  const take = (bar: RackBar) => write('takeFromRack', { id: bar.id, count: 1, maker }, () => setTaken(bar));
  return (
    <div className="grid min-h-0 flex-1 grid-cols-1 bench:grid-cols-[minmax(0,1fr)_340px]">
      <div className="relative min-h-0 overflow-y-auto bg-base-200 px-5 py-3">
        <Makeable rack={rack} jobs={jobs} />
        {rack.length === 0 ? (
          <p className="soft max-w-prose py-6">
            Nothing lies on the rack yet. Put there what you have: slotted bars in pairs, timber, offcuts. The pick list of a job
            and the saw plan then take from it first.
          </p>
        ) : (
          <FormScope>
            <FormTrouble />
            <RackDrawing rack={rack} onTake={take} />
          </FormScope>
        )}
      </div>
      <div className="no-print relative min-h-0 overflow-y-auto bg-base-100 px-5 py-3 bench:border-l bench:border-[var(--hair)]">
        <AddSlip onAdd={add} />
        {taken && (
          <p role="status" className="mt-2 text-[14px]">
            Took one of <Figure>{printLength(taken.lengthMm, tape)}</Figure>.{' '}
            <FormScope>
              <ActButton className="link link-primary" act={() => add({ ...taken, count: 1 })}>
                Put it back
              </ActButton>
              <FormTrouble />
            </FormScope>
          </p>
        )}
        <MoveList moves={moves} onUndo={(moveId) => write('undoRackMove', { moveId, maker })} />
      </div>
    </div>
  );
}

/** Most pieces drawn one beside another; more are said. */
const DRAWN = 8;

function RackDrawing({ rack, onTake }: { rack: RackBar[]; onTake: (bar: RackBar) => Promise<string | null> }) {
  const { rules, tape } = useWorkshop();
  const longest = Math.max(...rack.map((bar) => bar.lengthMm));
  const groups = profilesOf(rules)
    .map((profile) => profile.id)
    .filter((id) => rack.some((bar) => bar.profile === id));
  return (
    <div className="draw space-y-3" data-testid="rack">
      {groups.map((id) => {
        const profile = profileOf(rules, id);
        return (
          <section key={id} aria-label={profile.name}>
            <h2 className="text-[15px] font-semibold">
              {profile.name}{' '}
              <span className="figure soft font-normal">
                {printNumber(profile.widthMm, tape)} × {printNumber(profile.depthMm, tape)} {tape.unit}
              </span>
            </h2>
            <ul>
              {rack
                .filter((bar) => bar.profile === id)
                .map((bar) => (
                  <li
                    key={bar.id}
                    className="hair-b grid grid-cols-[minmax(0,1fr)_auto] items-center gap-3 py-1 sm:grid-cols-[minmax(0,1fr)_250px_auto]"
                  >
                    <Pieces bar={bar} share={bar.lengthMm / longest} />
                    <span className="figure col-start-1 row-start-2 text-[14px] sm:col-start-2 sm:row-start-1">
                      <strong>
                        {bar.count} × <Figure>{printLength(bar.lengthMm, tape)}</Figure>
                      </strong>{' '}
                      <span className="soft">
                        {KIND_WORDS[bar.kind]}
                        {bar.kind === 'pairs' ? `, ${bar.family}` : ''}
                        {bar.mark ? `, ${bar.mark}` : ''}
                      </span>
                    </span>
                    <ActButton
                      className="btn btn-ghost btn-xs h-7"
                      aria-label={`Remove one of ${printLength(bar.lengthMm, tape)}, ${profile.name}`}
                      act={() => onTake(bar)}
                    >
                      Remove one
                    </ActButton>
                  </li>
                ))}
            </ul>
          </section>
        );
      })}
      <p className="soft text-[13px]">All lengths to one scale; the longest is {printLength(longest, tape)}.</p>
    </div>
  );
}

function Pieces({ bar, share }: { bar: RackBar; share: number }) {
  const pieces = Math.min(bar.count, DRAWN);
  return (
    <svg
      viewBox={`0 0 1000 ${pieces * 9 + 1}`}
      preserveAspectRatio="none"
      className="w-full"
      style={{ height: pieces * 7 + 1 }}
      aria-hidden
    >
      {Array.from({ length: pieces }, (_, index) => (
        <rect
          key={index}
          x="0.5"
          y={index * 9 + 0.5}
          width={share * 998}
          height="7.5"
          className={bar.kind === 'brace' ? 'brace' : 'timber'}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}

/** Frames that two pairs of the rack make, drawn to one scale; those that a job waits for stand out. */
function Makeable({ rack, jobs }: { rack: RackBar[]; jobs: SeriesJob[] }) {
  const { rules, tape } = useWorkshop();
  const frames = makeableFrames(rack);
  if (frames.length === 0) return null;
  const longest = Math.max(...frames.map((frame) => frame.widthMm));
  const scale = 84 / longest;
  const waiting = (frame: (typeof frames)[number]) =>
    jobs.find(
      (job) =>
        job.profile === frame.profile &&
        Math.abs(Math.max(job.widthMm, job.heightMm) - frame.widthMm) < 0.5 &&
        Math.abs(Math.min(job.widthMm, job.heightMm) - frame.heightMm) < 0.5,
    );
  return (
    <section aria-label="Frames the rack makes" className="draw mb-4">
      <h2 className="text-[17px] font-semibold">
        The rack makes {frames.length === 1 ? 'one frame' : `${frames.length} frames`}
      </h2>
      <ul className="mt-2 flex flex-wrap items-end gap-x-5 gap-y-3">
        {[...frames]
          .sort((a, b) => Number(!waiting(a)) - Number(!waiting(b)))
          .map((frame) => {
            const { widthMm, heightMm, profile, family } = frame;
            const bar = profileOf(rules, profile).widthMm * scale;
            const job = waiting(frame);
            return (
              <li key={`${profile} ${family} ${widthMm} ${heightMm}`} className="figure text-[13.5px] leading-4">
                <svg width={widthMm * scale + 2} height={heightMm * scale + 2} aria-hidden className="mb-1 block">
                  <rect
                    x={1 + bar / 2}
                    y={1 + bar / 2}
                    width={Math.max(1, widthMm * scale - bar)}
                    height={Math.max(1, heightMm * scale - bar)}
                    style={{ fill: 'none', stroke: 'var(--timber)', strokeWidth: Math.max(2, bar) }}
                  />
                  <rect
                    x="1"
                    y="1"
                    width={widthMm * scale}
                    height={heightMm * scale}
                    style={{ fill: 'none', stroke: 'var(--timber-edge)' }}
                  />
                </svg>
                <strong>
                  {printNumber(widthMm, tape)} × {printNumber(heightMm, tape)}
                </strong>
                <span className="soft block">{profileOf(rules, profile).name}</span>
                {job && <span className="block font-semibold text-primary">No. {job.number} wants it</span>}
              </li>
            );
          })}
      </ul>
    </section>
  );
}

function AddSlip({ onAdd }: { onAdd: (bar: Omit<RackBar, 'id'>) => Promise<string | null> }) {
  const { rules } = useWorkshop();
  const profiles = profilesOf(rules);
  const [bar, setBar] = useState({
    profile: profiles[0]!.id,
    kind: 'pairs' as RackBar['kind'],
    size: length(600),
    count: 2,
    mark: '',
    family: '',
  });
  const profile = profileOf(rules, bar.profile);
  const family = bar.family || profile.family;
  return (
    <Form
      label="Put on the rack"
      onSend={() =>
        onAdd({
          profile: bar.profile,
          kind: bar.kind,
          family: bar.kind === 'pairs' ? family : 'sawn',
          lengthMm: bar.size.mm,
          count: bar.count,
          mark: bar.mark,
        })
      }
    >
      <h2 className="text-[17px] font-semibold">Put on the rack</h2>
      <Choice label="Bar" value={bar.profile} options={profiles} onChange={(id) => setBar({ ...bar, profile: id, family: '' })} />
      <Choice label="What it is" value={bar.kind} options={KINDS} onChange={(kind) => setBar({ ...bar, kind })} />
      <LengthField label="Length" of="barLength" value={bar.size} onChange={(size) => setBar({ ...bar, size })} />
      <NumberField
        label="How many pieces"
        of="pieces"
        value={bar.count}
        onChange={(count) => setBar({ ...bar, count: Math.round(count) })}
      />
      {bar.kind === 'pairs' && (
        <TextField
          label="Family of joints: pieces of two families do not fit"
          of="family"
          required="Give its family a name, such as narrow slot."
          value={family}
          onChange={(text) => setBar({ ...bar, family: text })}
        />
      )}
      <TextField label="Mark" of="mark" value={bar.mark} onChange={(mark) => setBar({ ...bar, mark })} />
      <SendButton>Add to stock</SendButton>
      <p className="soft text-[13.5px]">A frame wants two pairs: four bars of one family, in two lengths.</p>
    </Form>
  );
}
