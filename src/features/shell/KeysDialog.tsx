'use client';
import { Dialog } from '@/ui/Dialog';

const KEYS: [keys: string, does: string][] = [
  ['n · p', 'next, previous stage'],
  ['1 … 8', 'that stage'],
  ['. · ,', 'next, previous fastener'],
  ['b', 'seen from the back or the front'],
  ['h', 'hands on: the job at the bench, a step at a time'],
  ['Space, PgDn · ←, PgUp', 'at the bench: next and back; with Shift the next kind of step'],
  ['t · v · m · f', 'at the bench: turn the frame, voice, note, full screen'],
  ['u', 'millimetres, centimetres, inches'],
  ['Ctrl Z', 'undo what was typed'],
  ['/', 'search'],
  ['y', 'words of the trade on this screen, with their pictures'],
  ['g · f · w · d · a', 'bench, bars for frames, woven cloth, ground, air'],
  ['s · v · l · r · k', 'store, canvases that went out, log, house rules, the file and its copies'],
  ['← → ↑ ↓', 'a brace under the focus, 1 mm; with Shift 10 mm'],
  ['arrows, Enter, t', 'a piece on the roll: 10 mm, with Shift 100 mm; pin or free it; turn it'],
  ['c', 'new canvas, on the bench'],
  ['Tab, Enter', 'through the fields; Enter in the note records'],
  ['?', 'this list'],
];

export function KeysDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys" onClose={onClose}>
      <dl className="grid grid-cols-[8rem_1fr] gap-y-1.5">
        {KEYS.map(([keys, does]) => (
          <div key={keys} className="contents">
            <dt className="figure font-semibold">{keys}</dt>
            <dd className="soft">{does}</dd>
          </div>
        ))}
      </dl>
      <p className="soft mt-3 text-[14px]">Shortcuts are off while you type. Escape closes this.</p>
    </Dialog>
  );
}
