'use client';
/* The air of the workshop: the year as it was read, damp spells, and where readings come from. */
import { printed } from '@/core/quantities/printed';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { format } from 'date-fns';
import { assumed } from '@/core/house/houseRules';
import type { Air, AirTaken } from '@/server/air/airWrites';
import type { Outcome } from '@/server/write/outcome';
import { fileText } from '../fileText';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';
import { useWorkshop } from '@/ui/WorkshopContext';
import { AirChart } from './AirChart';
import { spellWords } from './spellWords';

export function AirPage({ air }: { air: Air }) {
  const { rules, tape } = useWorkshop();
  const router = useRouter();
  const send = useSend();
  const [busy, setBusy] = useState(false);
  const [told, setTold] = useState<{ says: string[]; bad: boolean } | null>(null);
  const dampFrom = assumed(rules, 'dampSpell');
  const take = async (act: () => Promise<Outcome<AirTaken>>) => {
    setBusy(true);
    try {
      const outcome = await act();
      if (outcome.ok) {
        const { added, replaced, rows } = outcome.value;
        const there = rows - added - replaced;
        setTold({
          says: [
            added < 0
              ? `${rows} simulated readings are gone.`
              : `${added + replaced} readings imported${replaced > 0 ? `; ${replaced} took the place of simulated ones` : ''}${there > 0 ? `; ${there} were there already` : ''}.`,
          ],
          bad: false,
        });
        router.refresh();
      } else setTold({ bad: true, says: ['Nothing was imported.', refusalWords(outcome)] });
    } finally {
      setBusy(false);
    }
  };
  const takeTable = async (file: File) => {
    const read = await fileText(file);
    if (!read.ok) return setTold({ bad: true, says: [read.says] });
    await take(() => send('importAir', { text: read.text, source: file.name.slice(0, 80) }));
  };
  const spell = spellWords(air.spell);
  return (
    <main className="min-h-0 flex-1 overflow-y-auto">
      <header className="hair-b flex flex-wrap items-baseline gap-x-8 gap-y-1 px-5 py-2">
        <h1 className="text-[22px] leading-7 font-semibold">Air</h1>
        {air.last ? (
          <p className="figure text-[15px]">
            <strong>{printed('humidity', air.last.rh)}</strong> at{' '}
            <strong>{printed('temperature', air.last.celsius, tape)}</strong>, {format(new Date(air.last.at), 'EEE d MMM HH:mm')}
            {air.last.simulated && <span className="text-warning">, simulated</span>}
          </p>
        ) : (
          <p className="soft text-[15px]">Nothing is read yet.</p>
        )}
        {spell && <p className="text-[15px] text-warning">Watch. {spell}</p>}
      </header>
      {air.days.length > 1 && (
        <section aria-label="The year" className="px-5 pt-3">
          <AirChart days={air.days} dampFrom={dampFrom} />
        </section>
      )}
      <section aria-label="Where readings come from" className="grid max-w-5xl gap-x-10 gap-y-4 px-5 py-4 sm:grid-cols-2">
        <div>
          <h2 className="text-[17px] font-semibold">A logger’s table</h2>
          <p className="soft text-[14.5px]">
            CSV with a row of names on top: time, temperature in °C, humidity in %. Comma, semicolon or tab between; point or
            comma in the numbers. All rows are taken in, or none.
          </p>
          <label className="mt-2 block">
            <span className="soft text-[13px]">Table of the hygrometer</span>
            <input
              type="file"
              accept=".csv,.txt,text/csv,text/plain"
              className="file-input file-input-sm h-10 w-full"
              disabled={busy}
              onChange={(event) => {
                const input = event.target;
                const file = input.files?.[0];
                if (!file) return;
                void takeTable(file).finally(() => (input.value = ''));
              }}
            />
          </label>
        </div>
        <div>
          <h2 className="text-[17px] font-semibold">The simulated hygrometer</h2>
          <p className="soft text-[14.5px]">
            With nothing plugged in: a believable year of air, the same each time. It fills what is not read yet, marked as
            simulated.
          </p>
          <button
            type="button"
            className="btn btn-outline btn-sm mt-2 h-10"
            disabled={busy}
            onClick={() => void take(() => send('readSimulatedAir', {}))}
          >
            Read the simulated year
          </button>
          {air.days.some(({ simulated }) => simulated) && (
            <button
              type="button"
              className="btn btn-ghost btn-sm mt-2 ml-2 h-10"
              disabled={busy}
              onClick={() => void take(() => send('dropSimulatedAir', {}))}
            >
              Remove the simulated air
            </button>
          )}
        </div>
        {told && (
          <div
            role={told.bad ? 'alert' : 'status'}
            className={`text-[14.5px] sm:col-span-2 ${told.bad ? 'text-error' : 'text-success'}`}
          >
            {told.says.map((line) => (
              <p key={line}>{line}</p>
            ))}
          </div>
        )}
        <p className="soft text-[14px] sm:col-span-2">
          Each canvas shows under Tune what this air does to its tension. How far cloth and wood move is a guess of the house, to
          be changed in its rules; a damp spell is told from the last two days, not forecast.
        </p>
      </section>
    </main>
  );
}
