'use client';
/* The file of a painting as it is known now, and the way to add to it at any stage: what was found, what was decided. */
import { useState } from 'react';
import type { LogEntry } from '@/core/log/logEntry';
import { standingEntries } from '@/core/log/jobHistory';
import { CONDITIONS, type ConditionId } from '@/core/stages/look/conditions';
import { DECISIONS, type LookInputs } from '@/core/stages/look/lookInputs';
import { type DecisionId, isFindingId } from '@/core/stages/look/workFile';
import { byId } from '@/core/house/schools';
import { listOfWords } from '@/core/units/inWords';
import { format } from 'date-fns';
import { FormDialog } from '@/ui/form/FormDialog';
import { Choice, TextField } from '@/ui/form/fields';
import { PhotographChoice } from '../../photograph/PhotographChoice';

/** One thing that is added. */
export type AddFinding = (finding: {
  note: string;
  condition: ConditionId | null;
  decided: DecisionId | null;
  jpeg: string | null;
}) => Promise<string | null>;

interface WorkFileProps {
  look: LookInputs;
  log: readonly LogEntry[];
  onAdd: AddFinding;
  /** Large, for the bench. */
  large?: boolean;
}

/** What was decided about it counts from a conservator alone; the others are kept as they were said. */
const SAID = DECISIONS.filter(({ id }) => id !== 'nobody');

export function WorkFile({ look, log, onAdd, large = false }: WorkFileProps) {
  const [adds, setAdds] = useState<'condition' | 'decision' | null>(null);
  const added = standingEntries(log).filter(({ kind, of }) => kind === 'note' && isFindingId(of));
  const seen = CONDITIONS.filter(({ id }) => look.conditions.some(({ kind }) => kind === id)).map(({ words }) => words);
  const button = large ? 'btn btn-outline h-14 flex-1 text-lg' : 'btn btn-outline btn-sm h-9 flex-1';
  return (
    <section aria-label="Condition file" className={`no-print space-y-1.5 pt-1 ${large ? 'text-lg' : 'text-[14px]'}`}>
      <p>
        <strong>Condition file:</strong> {seen.length === 0 ? 'nothing found' : listOfWords(seen)}
        {look.decided !== 'nobody' && `; ${byId(DECISIONS, look.decided).name.toLowerCase()}`}.
      </p>
      {added.length > 0 && (
        <ul className="soft">
          {added.map((entry) => (
            <li key={entry.id}>
              {format(new Date(entry.at), 'EEE d MMM yyyy')}: {entry.did}. “{entry.note}”, {entry.maker}
            </li>
          ))}
        </ul>
      )}
      <div className="flex gap-2">
        <button type="button" className={button} onClick={() => setAdds('condition')}>
          Add a condition
        </button>
        <button type="button" className={button} onClick={() => setAdds('decision')}>
          Add a decision
        </button>
      </div>
      {adds === 'condition' && <ConditionDialog onAdd={onAdd} onClose={() => setAdds(null)} />}
      {adds === 'decision' && <DecisionDialog onAdd={onAdd} onClose={() => setAdds(null)} />}
    </section>
  );
}

interface AddProps {
  onAdd: AddFinding;
  onClose: () => void;
}

function ConditionDialog({ onAdd, onClose }: AddProps) {
  const [condition, setCondition] = useState<ConditionId>('flaking');
  const [note, setNote] = useState('');
  const [jpeg, setJpeg] = useState<string | null>(null);
  return (
    <FormDialog
      title="Add a condition"
      does="Add to the file"
      onClose={onClose}
      onSend={() => onAdd({ note, condition, decided: null, jpeg })}
    >
      <Choice label="What was found" value={condition} options={CONDITIONS} onChange={setCondition} />
      <TextField label="Where, and how far" of="note" value={note} onChange={setNote} required="Say where it is." />
      <p className="soft text-[13px]">{byId(CONDITIONS, condition).care}</p>
      <PhotographChoice jpeg={jpeg} onTake={setJpeg} className="btn btn-outline btn-sm h-9" says="What was found" />
    </FormDialog>
  );
}

function DecisionDialog({ onAdd, onClose }: AddProps) {
  const [decided, setDecided] = useState<DecisionId>('allows');
  const [note, setNote] = useState('');
  return (
    <FormDialog
      title="Add a decision"
      does="Add to the file"
      onClose={onClose}
      onSend={() => onAdd({ note, condition: null, decided, jpeg: null })}
    >
      <Choice label="What was decided" value={decided} options={SAID} onChange={setDecided} />
      <TextField
        label="Who decided, and what was said"
        of="note"
        value={note}
        onChange={setNote}
        required="Say who decided, and what was said."
      />
      <p className="soft text-[13px]">A conservator alone opens what is for a conservator; local rules come first.</p>
    </FormDialog>
  );
}
