'use client';
/* The tap meter: source, level, one place after the other, and what the three taps tell. */
import { printed, printedSpread } from '@/core/quantities/printed';
import type { TapsReading } from '@/core/tension/tap/analyseTaps';
import type { SideWords } from '@/core/job/sideWords';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { writeWav } from '@/core/tension/tap/wav';
import { TAP_PLACE_IDS, type TapPlace } from '@/core/tension/tap/membraneTone';
import { USES, byId } from '@/core/house/schools';
import { mayBeDone } from '@/core/stages/look/mayBeDone';
import { tensionWords } from '@/core/stages/tune/tensionWords';
import { Choice, NumberField } from '@/ui/form/fields';
import { Fact } from '../slip/Fact';
import { ActButton } from '@/ui/form/Form';
import type { TuneStageProps } from './tuneProps';
import type { TapSource, Taps } from './useTaps';

/** Charts are loaded when there is something to show. */
const TapCharts = dynamic(() => import('./TapCharts').then((module) => module.TapCharts));

const SOURCES: { id: TapSource; name: string }[] = [
  { id: 'microphone', name: 'Microphone' },
  { id: 'file', name: 'WAV file' },
  { id: 'simulated', name: 'Simulated tap, to try' },
];
const placeWords = (say: SideWords): Record<TapPlace, string> => ({
  C: 'in the middle',
  X: `a quarter from the ${say.side('left')}, half-way down`,
  Y: 'half-way across, a quarter from the top',
});

const base64 = (bytes: Uint8Array): string => {
  let text = '';
  for (let at = 0; at < bytes.length; at += 0x8000) text += String.fromCharCode(...bytes.subarray(at, at + 0x8000));
  return btoa(text);
};

interface TapPanelProps extends Pick<TuneStageProps, 'inputs' | 'plan' | 'fastened' | 'onKeep' | 'readAir'> {
  taps: Taps;
}

export function TapPanel(props: TapPanelProps) {
  const { inputs, plan, taps, fastened } = props;
  const { hearing, lowestHz } = plan.tune;
  const tapping = mayBeDone('tap', inputs);
  if (tapping.may !== 'allowed')
    return (
      <p className="max-w-prose text-[14.5px]">
        <strong>{tapping.says}</strong> {tapping.because} Go by the feel of the back, if it may be touched at all.
      </p>
    );
  if (hearing === 'weigh')
    return (
      <p className="max-w-prose text-[14.5px]">
        Too large for a microphone: at the tension aimed at its lowest note lies at {printed('frequency', lowestHz)}, and below 12
        Hz a microphone hears nothing to go by. <strong>Use the weight</strong>, under the next tab.
      </p>
    );
  return (
    <div className="grid gap-x-5 gap-y-2 sm:grid-cols-[224px_minmax(0,1fr)]">
      <div className="space-y-2">
        <Source taps={taps} aimed={inputs.bars.tensionNPerM} />
        <Places taps={taps} />
        {hearing === 'try' && (
          <p className="soft text-[13px]">
            Its lowest note lies near {printed('frequency', lowestHz)}: a microphone may miss it. When the taps are doubted, use
            the weight.
          </p>
        )}
        {byId(USES, inputs.brief.use).painted && (
          <p className="text-[13px] text-warning">
            Painted: one fingertip from the back, as light as can be. Flaking, torn or of value: do not tap, ask a conservator.
          </p>
        )}
        {!fastened && <p className="soft text-[13px]">Fasten the cloth first: nothing is kept before that.</p>}
      </div>
      <Result {...props} />
    </div>
  );
}

function Source({ taps, aimed }: { taps: Taps; aimed: number }) {
  const [pull, setPull] = useState({ tx: aimed, ty: aimed });
  return (
    <div className="space-y-1.5">
      <Choice label="Sound from" value={taps.source} options={SOURCES} onChange={taps.setSource} />
      {taps.source === 'microphone' && (
        <>
          <button
            type="button"
            className={`btn btn-sm h-9 w-full ${taps.listening ? 'btn-outline' : 'btn-primary'}`}
            disabled={taps.next === null}
            onClick={taps.listening ? taps.stop : taps.listen}
          >
            {taps.listening ? 'Stop listening' : 'Listen'}
          </button>
          {taps.listening && <Level level={taps.level} />}
          {taps.warnings.length > 0 && (
            <p className="text-[13px] text-warning">
              The browser keeps {taps.warnings.join(' and ')} on: the reading may be off.
            </p>
          )}
        </>
      )}
      {taps.source === 'file' && taps.next && (
        <label className="block">
          <span className="soft text-[13px]">Tap {taps.next}, as a WAV file</span>
          <input
            key={taps.next}
            type="file"
            accept=".wav,audio/wav,audio/x-wav"
            className="file-input file-input-sm h-9 w-full"
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file) taps.readFile(file);
            }}
          />
        </label>
      )}
      {taps.source === 'simulated' && (
        <>
          <div className="grid grid-cols-2 gap-2">
            <NumberField label="True across" of="tension" value={pull.tx} onChange={(tx) => setPull({ ...pull, tx })} />
            <NumberField label="True down" of="tension" value={pull.ty} onChange={(ty) => setPull({ ...pull, ty })} />
          </div>
          {taps.next && (
            <button type="button" className="btn btn-primary btn-sm h-9 w-full" onClick={() => taps.simulate(pull)}>
              Tap {taps.next}
            </button>
          )}
        </>
      )}
    </div>
  );
}

/** How loud it is, from −60 dB to full scale. */
function Level({ level }: { level: number }) {
  const db = 20 * Math.log10(Math.max(level, 1e-3));
  const part = Math.max(0, (db + 60) / 60);
  return (
    <div>
      <div
        role="meter"
        aria-label="Level"
        aria-valuemin={-60}
        aria-valuemax={0}
        aria-valuenow={Math.round(db)}
        aria-valuetext={`${Math.round(db)} dB`}
        className="h-3 w-full bg-base-300"
      >
        <div className={`h-full ${db > -0.3 ? 'bg-error' : 'bg-primary'}`} style={{ width: `${part * 100}%` }} />
      </div>
      <p className="soft figure text-[12.5px]">{db > -0.3 ? 'too loud, cut off' : `${Math.round(db)} dB below full`}</p>
    </div>
  );
}

function Places({ taps }: { taps: Taps }) {
  const say = useSideWords();
  return (
    <div>
      <ol className="text-[14px]">
        {TAP_PLACE_IDS.map((place) => {
          const there = taps.done.includes(place);
          return (
            <li
              key={place}
              className={`flex gap-2 py-0.5 ${place === taps.next ? 'font-semibold text-primary' : there ? '' : 'soft'}`}
            >
              <span className="w-4">{place}</span>
              <span>{there ? 'heard ✓' : placeWords(say)[place]}</span>
            </li>
          );
        })}
      </ol>
      {taps.problem && (
        <p role="alert" className="text-[13.5px]">
          <strong>{taps.problem.says}</strong> {taps.problem.doThis}
        </p>
      )}
      {taps.done.length > 0 && (
        <button type="button" className="btn btn-ghost btn-xs mt-1 h-8" onClick={taps.again}>
          Tap all again
        </button>
      )}
    </div>
  );
}

/** Which note tells one way from the other; asked for again where X and Y may have been taken for each other. */
function Decides({ reading: { decides, changedOver } }: { reading: Extract<TapsReading, { kind: 'read' }> }) {
  const say = useSideWords();
  const [x, y] = [decides.X, decides.Y].map((hz) => printed('frequency', hz));
  if (!changedOver)
    return (
      <p className="figure soft text-[13.5px]">
        {x} at X tells across, {y} at Y tells down.
      </p>
    );
  return (
    <p role="alert" className="figure text-[14px] text-warning">
      <strong>Were X and Y taken for each other?</strong> Changed over it would be {printed('tension', changedOver.tx)} across and{' '}
      {printed('tension', changedOver.ty)} down, nearly alike. Tap X again, {placeWords(say).X}: it must sound {x} there, not {y}.
    </p>
  );
}

function Result({ plan, taps, fastened, onKeep, readAir }: TapPanelProps) {
  const [kept, setKept] = useState<Taps['taps'] | null>(null);
  const { reading } = taps;
  const { mass } = plan.tune;
  if (taps.busy) return <p className="soft text-[14.5px]">Reading the taps …</p>;
  if (!reading)
    return (
      <div className="soft max-w-prose space-y-1.5 text-[14px]">
        <p>
          Stand the canvas with its back free, the microphone 2 to 5 cm from the cloth over the mark. Half a second of quiet, one
          short tap with a fingertip, quiet again. Three places, because the notes of a tap do not tell which way is tighter.
        </p>
        <p className="figure">
          Cloth and ground: {printedSpread('clothWeight', mass.kgPerM2 * 1000, mass.kgPerM2 * mass.spread * 1000)},{' '}
          {mass.source === 'piece' ? 'weighed' : 'from the cloth and its coats; a weighed piece is surer'}. Worked out and
          simulated, never checked on a real canvas: either way is known to ten in a hundred at best.
        </p>
      </div>
    );
  if (reading.kind === 'refused' || reading.kind === 'failed')
    return (
      <p role="alert" className="text-[15px]">
        <strong>{reading.kind === 'refused' ? `Tap ${reading.place}: ${reading.says}` : reading.says}</strong> {reading.doThis}
      </p>
    );
  const keep = (): Promise<string | null> | string => {
    const { C, X, Y } = taps.taps;
    if (!C || !X || !Y) return 'Tap all three places first.';
    const wavs = { C: base64(writeWav(C)), X: base64(writeWav(X)), Y: base64(writeWav(Y)) };
    return onKeep('keepTaps', { note: '', air: readAir, source: taps.source, wavs }, () => setKept(taps.taps));
  };
  return (
    <div className="min-w-0 space-y-2">
      {reading.kind === 'doubted' ? (
        <p role="alert" className="text-[15px]">
          <strong>Tap again. {reading.says}</strong> {reading.doThis}
        </p>
      ) : (
        <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
          <dl className="figure flex flex-wrap gap-x-6">
            <Fact name="mean">{tensionWords(reading.tension.mean, reading.tension.sdMean)}</Fact>
            <Fact name="across">{tensionWords(reading.tension.pull.tx, reading.tension.sdX)}</Fact>
            <Fact name="down">{tensionWords(reading.tension.pull.ty, reading.tension.sdY)}</Fact>
          </dl>
          <ActButton className="btn btn-primary btn-sm ml-auto h-9" disabled={!fastened || kept === taps.taps} act={keep}>
            {kept === taps.taps ? 'Kept in the log' : 'Keep this reading'}
          </ActButton>
        </div>
      )}
      {reading.kind === 'read' && <Decides reading={reading} />}
      <TapCharts reading={reading} />
    </div>
  );
}
