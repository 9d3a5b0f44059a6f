import type { DraftState } from './draft/jobDraft';

interface BrokenSheetProps {
  save: DraftState['save'];
  undo: () => void;
  again: () => void;
}

/** In the place of a job that could not be drawn: what was typed last is still in hand and can be taken back. */
export function BrokenSheet({ save, undo, again }: BrokenSheetProps) {
  return (
    <main role="alert" className="flex flex-1 flex-col items-start gap-3 px-5 py-10">
      <h1 className="text-[22px] font-semibold">This job could not be drawn; nothing recorded is lost</h1>
      <p className="max-w-prose">
        {save === 'saved' ? 'What you typed is saved.' : 'What you typed is still here and will be saved.'} If the last entry
        brought this on, take it back.
      </p>
      <div className="flex gap-2">
        <button type="button" className="btn btn-primary h-11" onClick={undo}>
          Undo the last entry
        </button>
        <button type="button" className="btn btn-outline h-11" onClick={again}>
          Try again
        </button>
      </div>
    </main>
  );
}
