import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { fileAction } from '@/server/actions';
import type { ListId } from '@/server/lists/list';
import type { ListLook } from '@/server/lists/listWrites';
import { FileButton } from '@/ui/form/FileButton';
import { useWorkshop } from '@/ui/WorkshopContext';
import { fileText } from '../fileText';
import { refusalLines } from '../refusalWords';
import { sendPatiently } from '../sender';
import { useSend } from '../useSend';
import { ListDialog, countWords } from './ListDialog';

const LISTS: readonly { id: ListId; name: string; holds: string; readsIn: boolean }[] = [
  { id: 'jobs', name: 'Jobs', holds: 'titles, faces, dates; new briefs in', readsIn: true },
  { id: 'rack', name: 'Rack', holds: 'bars and timber as they were counted', readsIn: true },
  { id: 'rolls', name: 'Rolls and offcuts', holds: 'by tag, with what is left', readsIn: true },
  { id: 'grounds', name: 'Grounds', holds: 'amounts as weighed, and prices', readsIn: true },
  { id: 'store', name: 'Store', holds: 'what is counted: how much, how sold, least, place', readsIn: true },
  { id: 'toBuy', name: 'To buy', holds: 'for all open work; out only', readsIn: false },
  { id: 'prices', name: 'Price lists', holds: 'bars, timber, strips, rolls by the metre', readsIn: true },
  { id: 'bars', name: 'Bars', holds: 'sections, joints, makes', readsIn: true },
  { id: 'woods', name: 'Woods', holds: 'stiffness and density', readsIn: true },
  { id: 'cloths', name: 'Cloths', holds: 'weights, stiffness, shrinkage', readsIn: true },
  { id: 'air', name: 'Air', holds: 'readings of temperature and humidity', readsIn: true },
  { id: 'log', name: 'Log', holds: 'every entry with its readings; out only', readsIn: false },
];

interface Looked {
  list: ListId;
  fileName: string;
  text: string;
  look: ListLook;
}

/** Lists of the workshop as CSV files: out, and in again after a look at what that would do. */
export function Lists() {
  const { tape, maker } = useWorkshop();
  const router = useRouter();
  const send = useSend();
  const [busy, setBusy] = useState(false);
  const [told, setTold] = useState<{ says: string; bad: boolean; lines?: string[] } | null>(null);
  const [looked, setLooked] = useState<Looked | null>(null);
  const asked = (list: ListId, text: string) => ({ list, text, unit: tape.unit, maker });
  const look = async (list: ListId, file: File) => {
    setBusy(true);
    setTold(null);
    try {
      const read = await fileText(file);
      if (!read.ok) return setTold({ says: read.says, bad: true });
      const outcome = await sendPatiently(() => fileAction('lookAtList', asked(list, read.text)));
      if (outcome.ok) setLooked({ list, fileName: file.name, text: read.text, look: outcome.value });
      else setTold({ says: `${file.name} cannot be imported:`, bad: true, lines: refusalLines(outcome) });
    } catch {
      setTold({ says: 'The server does not answer. Nothing was changed.', bad: true });
    } finally {
      setBusy(false);
    }
  };
  const takeIn = async ({ list, fileName, text, look: { seen } }: Looked) => {
    setLooked(null);
    setBusy(true);
    const outcome = await send('takeInList', { ...asked(list, text), seen });
    setTold(
      outcome.ok
        ? { says: `${fileName} is imported: ${countWords(outcome.value)}.`, bad: false }
        : { says: `Nothing of ${fileName} was imported:`, bad: true, lines: refusalLines(outcome) },
    );
    setBusy(false);
    router.refresh();
  };
  return (
    <section aria-label="Lists" className="px-5 pb-8">
      <div className="flex flex-wrap items-baseline gap-3">
        <h2 className="text-[17px] font-semibold">Lists</h2>
        <p className="soft text-[14px]">
          CSV files for a spreadsheet, lengths in {tape.unit}. What comes in is looked at first: all of it is taken, or nothing.
        </p>
      </div>
      {told && (
        <div role={told.bad ? 'alert' : 'status'} className={`mt-1 text-[14.5px] ${told.bad ? 'text-error' : 'text-success'}`}>
          <p>{told.says}</p>
          {told.lines?.map((line) => (
            <p key={line} className="pl-4">
              {line}
            </p>
          ))}
        </div>
      )}
      <ul className="mt-1 max-w-4xl text-[15px]">
        {LISTS.map(({ id, name, holds, readsIn }) => (
          <li key={id} className="hair-b flex flex-wrap items-center gap-x-5 gap-y-1 py-1.5">
            <span className="w-40 font-semibold">{name}</span>
            <span className="soft min-w-0 max-sm:basis-full sm:flex-1">{holds}</span>
            <a
              className="btn btn-ghost btn-sm h-9"
              href={`/api/file/list/${id}?unit=${tape.unit}`}
              download
              aria-label={`Export CSV: ${name}`}
            >
              Export CSV
            </a>
            {readsIn ? (
              <FileButton
                label={`A file of ${name}`}
                accept=".csv,text/csv,.txt"
                disabled={busy}
                onFile={(file) => void look(id, file)}
              >
                Import CSV…
              </FileButton>
            ) : (
              <span className="w-[5.6rem]" />
            )}
          </li>
        ))}
      </ul>
      {looked && (
        <ListDialog
          fileName={looked.fileName}
          look={looked.look}
          onClose={() => setLooked(null)}
          onTakeIn={() => void takeIn(looked)}
        />
      )}
    </section>
  );
}
