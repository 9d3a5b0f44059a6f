'use client';
/* Pieces of the jobs chosen, laid on one roll and its offcuts; the cuts in order, and the record of them. */
import { provenWords } from '@/core/stages/cloth/layoutVerdicts';
import { printLength, printSize } from '@/core/units/length';
import { printMoney } from '@/core/units/money';
import type { StoredCloth } from '@/db/clothSheets';
import type { ClothJob } from '@/server/cloth/clothWrites';
import { Choice, Tick } from '@/ui/form/fields';
import { FormScope } from '@/ui/form/Form';
import { Figure } from '@/ui/drawing/Figure';
import { VerdictList } from '@/ui/VerdictList';
import { useWorkshop } from '@/ui/WorkshopContext';
import { CutList } from './CutList';
import { FlawList } from './FlawList';
import { RollDrawing } from './RollDrawing';
import { type Lay, useLay } from './useLay';

export function LayView({ store, jobs }: { store: StoredCloth[]; jobs: ClothJob[] }) {
  const { tape } = useWorkshop();
  const lay = useLay(store, jobs);
  const { roll, laid, drawn, pieces, marking, verdicts, problem } = lay;
  return (
    <FormScope>
      <div className="grid min-h-0 flex-1 grid-cols-1 bench:grid-cols-[minmax(0,1fr)_372px]">
        <div className="relative flex min-h-0 min-w-0 flex-col bg-base-200">
          <div className="no-print absolute top-1.5 right-3 z-10 flex gap-2">
            <button
              type="button"
              aria-pressed={marking}
              className={`btn btn-xs h-7 ${marking ? 'btn-neutral' : 'btn-outline'}`}
              onClick={() => lay.setMarking(!marking)}
            >
              {marking ? 'Click the flaw' : 'Mark a flaw'}
            </button>
          </div>
          {roll ? (
            <RollDrawing
              sheets={drawn}
              pieces={pieces}
              tape={tape}
              stale={!lay.run.fresh && laid.length > 0}
              marking={marking}
              onMark={lay.mark}
              onPin={lay.onPin}
            />
          ) : (
            <p className="soft max-w-prose px-5 py-6">No cloth yet. Put a roll in the store, or choose a cloth that is sold.</p>
          )}
          <CutList sheets={drawn} pieces={pieces} tears={lay.fabric.tearsTrue} />
        </div>
        <section
          aria-label="Layout"
          className="flex min-h-0 flex-col gap-2 bg-base-100 px-5 py-3 bench:border-l bench:border-[var(--hair)]"
        >
          <LayAnswer lay={lay} />
          <div className="relative min-h-0 flex-1 space-y-2.5 overflow-y-auto">
            <LayChoices lay={lay} />
            {verdicts.length > 0 && <VerdictList verdicts={verdicts} />}
            <FlawList
              cloths={store.filter((one) => drawn.some((sheet) => sheet.cloth.id === one.id))}
              onChange={(cloth, flaws) => void lay.changeFlaws(cloth, flaws)}
            />
          </div>
          {problem && (
            <p role="alert" className="text-[14px] text-error">
              {named(problem, lay.own)}
            </p>
          )}
          <LayBar lay={lay} />
        </section>
      </div>
    </FormScope>
  );
}

/** The length to take, and how sure it is. */
function LayAnswer({ lay: { laid, onRoll, run, layout, price } }: { lay: Lay }) {
  const { rules, tape } = useWorkshop();
  return (
    <div>
      <h2 className="soft text-[14px] font-normal">
        {laid.length === 1 ? 'One piece' : `${laid.length} pieces`}, length to take
      </h2>
      <p className="figure text-[34px] leading-10 font-semibold" data-testid="answer">
        {onRoll ? <Figure>{printLength(onRoll.length, tape, 'up')}</Figure> : '–'}
      </p>
      <p className="figure soft min-h-5 text-[14.5px] leading-5" aria-live="polite" data-testid="run">
        {run.running
          ? 'searching'
          : onRoll
            ? `${(layout && provenWords(layout)) ?? `no less than ${printLength(onRoll.bound, tape, 'up')} can do`}${price === null ? '' : `, ${printMoney(price, rules.currency)}`}`
            : ''}
      </p>
    </div>
  );
}

/** Cloth, roll, and what is cut from it. */
function LayChoices({ lay }: { lay: Lay }) {
  const { tape } = useWorkshop();
  const { roll } = lay;
  return (
    <>
      <div className="no-print grid grid-cols-2 gap-x-4 gap-y-1.5">
        <Choice label="Cloth" value={lay.fabric.id} options={lay.fabrics} onChange={(id: string) => lay.setFabric(id)} />
        {roll && (
          <Choice
            label="Roll"
            value={roll.id}
            options={lay.rolls.map(({ id, tag }) => ({ id, name: tag }))}
            onChange={(id: string) => lay.setRoll(id)}
          />
        )}
      </div>
      <fieldset className="no-print">
        <legend className="soft text-[13px]">To be cut from it</legend>
        {lay.own.map((job) => (
          <Tick
            key={job.id}
            checked={lay.isIn(job.id)}
            onChange={(on) => lay.take(job.id, on)}
            label={
              <>
                <strong>No. {job.number}</strong> {job.title}{' '}
                <span className="figure soft block text-[13px]">
                  <Figure>{printSize(job.piece.h, job.piece.w, tape, 'up')}</Figure>
                  {job.piece.mayTurn ? ', may turn' : ', warp along the roll'}
                  {job.ready ? '' : '; not its turn yet'}
                </span>
              </>
            }
          />
        ))}
        {lay.own.length === 0 && <p className="soft">No job waits for this cloth.</p>}
        {lay.hasOffcuts && <Tick label="Offcuts first" checked={lay.useOffcuts} onChange={lay.setUseOffcuts} />}
      </fieldset>
      {lay.isPinned && (
        <button type="button" className="btn btn-ghost btn-sm no-print -ml-2" onClick={lay.freePins}>
          Free all pins
        </button>
      )}
    </>
  );
}

function LayBar({ lay: { layout, run, onRoll, record, blocked, bought, laid } }: { lay: Lay }) {
  return (
    <>
      <div className="no-print flex gap-2">
        <button type="button" className="btn btn-outline h-11" onClick={() => window.print()} disabled={!layout}>
          Print
        </button>
        {run.running ? (
          <button type="button" className="btn btn-outline h-11" onClick={run.stop}>
            Stop
          </button>
        ) : (
          <button type="button" className="btn btn-outline h-11" onClick={run.searchOn} disabled={!onRoll || onRoll.proven}>
            Search on
          </button>
        )}
        <button type="button" className="btn btn-primary h-11 flex-1 text-base" onClick={() => void record()} disabled={blocked}>
          Record the cuts
        </button>
      </div>
      {bought && laid.length > 0 && (
        <p className="soft text-[13px]">A roll as it is bought: put it in the store to record cuts.</p>
      )}
    </>
  );
}

/** Ids of jobs in a message, as their numbers. */
const named = (message: string, jobs: ClothJob[]): string =>
  jobs.reduce((text, { id, number }) => text.replaceAll(id, `No. ${number}`), message);
