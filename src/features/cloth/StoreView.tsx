'use client';
/* What lies in the store of cloth, to one scale, with a slip to put more there and the last changes. */
import { useState } from 'react';
import type { StockCloth } from '@/core/cloth/clothStock';
import { fabricOf, fabricsOf } from '@/core/house/materials';
import { length, printLength, printSize } from '@/core/units/length';
import type { StoredCloth } from '@/db/clothSheets';
import type { clothMoves } from '@/server/cloth/undoClothMove';
import { Choice, LengthField, TextField } from '@/ui/form/fields';
import { Form, FormScope, FormTrouble, SendButton, useForm } from '@/ui/form/Form';
import { Figure } from '@/ui/drawing/Figure';
import { MoveList } from '@/ui/MoveList';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useWrite } from '../useWrite';

const KINDS = [
  { id: 'roll', name: 'Roll' },
  { id: 'offcut', name: 'Offcut' },
] as const;

export function StoreView({ store, moves }: { store: StoredCloth[]; moves: ReturnType<typeof clothMoves> }) {
  const { maker } = useWorkshop();
  const write = useWrite();
  const remove = ({ id, revision, lengthMm, flaws }: StoredCloth) =>
    write('changeCloth', { id, revision, lengthMm, flaws, gone: true, maker });
  return (
    <div className="grid min-h-0 flex-1 grid-cols-1 bench:grid-cols-[minmax(0,1fr)_340px]">
      <div className="relative min-h-0 overflow-y-auto bg-base-200 px-5 py-3">
        {store.length === 0 ? (
          <p className="soft max-w-prose py-6">
            Nothing lies in the store yet. Put your rolls and offcuts there, with their usable width: pieces are then laid on
            them, offcuts first, and every recorded cut draws them down.
          </p>
        ) : (
          <FormScope>
            <FormTrouble />
            <StoreDrawing store={store} onRemove={remove} />
          </FormScope>
        )}
      </div>
      <div className="no-print relative min-h-0 overflow-y-auto bg-base-100 px-5 py-3 bench:border-l bench:border-[var(--hair)]">
        <AddSlip onAdd={(cloth) => write('addCloth', { ...cloth, maker })} />
        <MoveList moves={moves} onUndo={(moveId) => write('undoClothMove', { moveId, maker })} />
      </div>
    </div>
  );
}

function StoreDrawing({ store, onRemove }: { store: StoredCloth[]; onRemove: (cloth: StoredCloth) => Promise<string | null> }) {
  const { rules, tape } = useWorkshop();
  const longest = Math.max(...store.map((one) => one.lengthMm), ...store.map((one) => one.widthMm * 2));
  const groups = fabricsOf(rules).filter(({ id }) => store.some((one) => one.fabric === id));
  return (
    <div className="draw space-y-3" data-testid="store">
      {groups.map((fabric) => (
        <section key={fabric.id} aria-label={fabric.name}>
          <h2 className="text-[15px] font-semibold">{fabric.name}</h2>
          <ul>
            {store
              .filter((one) => one.fabric === fabric.id)
              .map((cloth) => (
                <li
                  key={cloth.id}
                  className="hair-b grid grid-cols-[minmax(0,1fr)_auto] items-center gap-3 py-1.5 sm:grid-cols-[minmax(0,1fr)_230px_auto]"
                >
                  <Lying cloth={cloth} longest={longest} />
                  <span className="figure col-start-1 row-start-2 text-[14px] sm:col-start-2 sm:row-start-1">
                    <strong>{cloth.tag}</strong> {cloth.kind},{' '}
                    <Figure>{printSize(cloth.lengthMm, cloth.widthMm, tape, 'down')}</Figure>
                    <span className="soft block text-[13px]">
                      {cloth.flaws.length === 0
                        ? 'no flaw marked'
                        : `flaws: ${cloth.flaws.map((flaw) => flaw.note || 'unnamed').join(', ')}`}
                    </span>
                  </span>
                  <UsedUp tag={cloth.tag} onRemove={() => onRemove(cloth)} />
                </li>
              ))}
          </ul>
        </section>
      ))}
      <p className="soft text-[13px]">
        All to one scale, the cut end at the left; the longest is{' '}
        {printLength(Math.max(...store.map((one) => one.lengthMm)), tape)}.
      </p>
    </div>
  );
}

/** Asks once more: what is used up is gone from the store. */
function UsedUp({ tag, onRemove }: { tag: string; onRemove: () => Promise<string | null> }) {
  const { send, busy } = useForm();
  const [asked, setAsked] = useState(false);
  return (
    <button
      type="button"
      className={`btn btn-sm h-9 ${asked ? 'btn-error' : 'btn-ghost'}`}
      aria-label={asked ? `Yes, ${tag} is used up` : `${tag} is used up`}
      disabled={busy}
      onClick={() => (asked ? void send(onRemove) : setAsked(true))}
      onBlur={() => setAsked(false)}
    >
      {asked ? 'take it out' : 'used up'}
    </button>
  );
}

function Lying({ cloth: { lengthMm, widthMm, flaws }, longest }: { cloth: StockCloth; longest: number }) {
  return (
    <svg viewBox={`0 0 ${longest} ${widthMm}`} className="block w-full" aria-hidden>
      <rect x={0} y={0} width={lengthMm} height={widthMm} className="area cloth plain" vectorEffect="non-scaling-stroke" />
      {flaws.map((flaw, index) => {
        const [x, y, size] = [flaw.y + flaw.h / 2, flaw.x + flaw.w / 2, longest / 140];
        return (
          <path
            key={index}
            d={`M${x - size} ${y - size}l${2 * size} ${2 * size}m0 ${-2 * size}l${-2 * size} ${2 * size}`}
            className="line stop"
            vectorEffect="non-scaling-stroke"
          />
        );
      })}
    </svg>
  );
}

function AddSlip({ onAdd }: { onAdd: (cloth: Omit<StockCloth, 'id'>) => Promise<string | null> }) {
  const { rules, tape } = useWorkshop();
  const fabrics = fabricsOf(rules).filter((one) => one.offered);
  const [kind, setKind] = useState<StockCloth['kind']>('roll');
  const [fabric, setFabric] = useState(fabrics[0]!.id);
  const [tag, setTag] = useState('');
  const [width, setWidth] = useState(() => length(fabrics[0]!.rolls[0]?.mm ?? 2000, tape.unit));
  const [selvedge, setSelvedge] = useState(() => length(10, tape.unit));
  const [long, setLong] = useState(() => length(10_000, tape.unit));
  const add = async () => {
    const refused = await onAdd({
      kind,
      fabric,
      tag,
      widthMm: width.mm,
      selvedgeMm: kind === 'roll' ? selvedge.mm : 0,
      lengthMm: long.mm,
      flaws: [],
    });
    if (refused === null) setTag('');
    return refused;
  };
  return (
    <Form label="Put in the store" className="space-y-1.5" onSend={add}>
      <h2 className="text-[17px] font-semibold">Put in the store</h2>
      <div className="grid grid-cols-2 gap-x-4 gap-y-1.5">
        <Choice label="Kind" value={kind} options={KINDS} onChange={setKind} />
        <Choice
          label="Cloth"
          value={fabric}
          options={fabrics}
          onChange={(id: string) => {
            setFabric(id);
            const sold = fabricOf(rules, id).rolls[0];
            if (sold) setWidth(length(sold.mm, tape.unit));
          }}
        />
        <TextField
          label="Tag written on it"
          of="tag"
          required="Write a tag on it, to tell it from the others."
          value={tag}
          onChange={setTag}
        />
        <LengthField label="Usable width" of="stockWidth" value={width} onChange={setWidth} />
        <LengthField label="Length left" of="newRollLength" value={long} onChange={setLong} />
        {kind === 'roll' && <LengthField label="Selvedge, each" of="selvedge" value={selvedge} onChange={setSelvedge} />}
      </div>
      <p className="soft text-[13px]">
        Measure between the selvedges: they pull otherwise than the rest and stay out of the face.
      </p>
      <SendButton className="btn btn-primary btn-sm h-9 w-full">Add to stock</SendButton>
    </Form>
  );
}
