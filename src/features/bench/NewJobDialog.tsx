'use client';
import { limitsOf, isTyped } from '@/core/quantities/quantities';
import { useRouter } from 'next/navigation';
import { useForm } from 'react-hook-form';
import { USES, type UseId, byId } from '@/core/house/schools';
import { readFaces } from '@/core/set/readFaces';
import { usualColumns } from '@/core/set/setLayout';
import { MOST_IN_SET, SET_KINDS, type SetKindId } from '@/core/set/setShape';
import { type Length, length, parseLength, printLength } from '@/core/units/length';
import { Dialog } from '@/ui/Dialog';
import { useWorkshop } from '@/ui/WorkshopContext';
import { refusalWords } from '../refusalWords';
import { countTrouble, startWords } from '../howMany';
import { useSend } from '../useSend';

interface NewJob {
  title: string;
  width: string;
  height: string;
  count: string;
  use: UseId;
  kind: SetKindId;
  faces: string;
  gap: string;
  columns: string;
}

/** Three answers start a job; everything else has a usual choice to be changed later. */
export function NewJobDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const { tape } = useWorkshop();
  const send = useSend();
  const form = useForm<NewJob>({
    defaultValues: {
      title: '',
      width: '',
      height: '',
      count: '1',
      use: 'new',
      kind: 'same',
      faces: '',
      gap: '20 mm',
      columns: '',
    },
  });
  const { errors, isSubmitting } = form.formState;
  const [count, kind] = [Number(form.watch('count')), form.watch('kind')];
  const several = countTrouble(form.watch('count')) === null && count > 1;
  const ownFaces = several && !byId(SET_KINDS, kind).oneFace;
  const readFace = (typed: string) => {
    const result = parseLength(typed, tape.unit);
    if (!result.ok) return result.error;
    const [least, most] = limitsOf('faceLength');
    return isTyped('faceLength', result.value.mm)
      ? true
      : `“${typed}” is no face we stretch: ${printLength(least, tape)} to ${printLength(most, tape)}. Check the unit.`;
  };
  const create = form.handleSubmit(async (typed) => {
    const of = (text: string) => (parseLength(text, tape.unit) as { value: Length }).value;
    const face = { width: of(typed.width), height: of(typed.height) };
    const title = typed.title.trim();
    if (!several) {
      const outcome = await send('newJob', { title, ...face, use: typed.use });
      if (outcome.ok) return router.push(`/job/${outcome.value.id}`);
      return form.setError('root', { message: refusalWords(outcome) });
    }
    const faces = ownFaces && typed.faces.trim() !== '' ? readFaces(typed.faces, tape.unit, MOST_IN_SET) : null;
    const all = faces?.ok ? faces.value : Array.from({ length: count }, () => face);
    const columns = typed.columns.trim() === '' ? usualColumns(all, typed.kind) : Number(typed.columns);
    const layout = { columns, gap: typed.kind === 'panels' ? of(typed.gap) : length(100), align: 'middle', free: [] } as const;
    const outcome = await send('newSet', { title, kind: typed.kind, faces: all, layout: { ...layout, free: [] } });
    if (outcome.ok) return router.push(`/set/${outcome.value.id}`);
    form.setError('root', { message: refusalWords(outcome) });
  });
  const field = (name: keyof NewJob, label: string, placeholder: string, validate: (typed: string) => true | string) => (
    <div>
      <label htmlFor={`new-${name}`} className="soft block text-[13px]">
        {label}
      </label>
      <input
        id={`new-${name}`}
        className={`figure input h-11 w-full ${errors[name] ? 'input-error' : ''}`}
        placeholder={placeholder}
        autoComplete="off"
        aria-invalid={errors[name] !== undefined}
        autoFocus={name === 'title'}
        {...form.register(name, { validate })}
      />
      {errors[name] && (
        <p role="alert" className="mt-1 text-[13.5px] text-error">
          {errors[name].message}
        </p>
      )}
    </div>
  );
  return (
    <Dialog title="New canvas" onClose={onClose}>
      <form noValidate onSubmit={create} className="space-y-3">
        {field('title', 'Title', 'Harbour, evening', (typed) =>
          typed.trim() === '' ? 'Give it a title, to find it by.' : typed.length <= 120 || 'At most 120 letters.',
        )}
        <div className="grid grid-cols-[1fr_1fr_6rem] gap-3">
          {field('width', 'Face width', tape.unit === 'in' ? '36 or 2\' 6"' : '915 or 91.5 cm', readFace)}
          {field('height', 'Face height', tape.unit === 'in' ? '24 3/16' : '640', readFace)}
          {field('count', 'How many', '1', (typed) => countTrouble(typed) ?? true)}
        </div>
        {!several && (
          <label className="block">
            <span className="soft block text-[13px]">What it is</span>
            <select className="select h-11 w-full" {...form.register('use')}>
              {USES.map(({ id, name, suits }) => (
                <option key={id} value={id}>
                  {name}: {suits}
                </option>
              ))}
            </select>
          </label>
        )}
        {several && (
          <label className="block">
            <span className="soft block text-[13px]">They are</span>
            <select className="select h-11 w-full" {...form.register('kind')}>
              {SET_KINDS.map(({ id, name, suits }) => (
                <option key={id} value={id}>
                  {name}: {suits}
                </option>
              ))}
            </select>
          </label>
        )}
        {ownFaces &&
          field('faces', 'Faces in their order, where they differ', '2 of 400 × 600; 300 × 600', (typed) => {
            const read = typed.trim() === '' ? null : readFaces(typed, tape.unit, MOST_IN_SET);
            if (read?.ok === false) return read.error;
            return read === null || read.value.length === count || `These are ${read.value.length} faces, not ${count}.`;
          })}
        {several && kind === 'panels' && (
          <div className="grid grid-cols-2 gap-3">
            {field('gap', 'Gap between two', '20 mm', (typed) => {
              const read = parseLength(typed, tape.unit);
              if (!read.ok) return read.error;
              return read.value.mm <= 1000 || `“${typed}” is no gap: 0 to ${printLength(1000, tape)}.`;
            })}
            {field('columns', 'Panels in a row', String(count), (typed) => typed.trim() === '' || (countTrouble(typed) ?? true))}
          </div>
        )}
        <p className="soft text-[13px]">A bare number is read in {tape.unit}; any unit may be typed.</p>
        {errors.root && (
          <p role="alert" className="text-[13.5px] text-error">
            {errors.root.message}
          </p>
        )}
        <div className="flex justify-end gap-2">
          <button type="button" className="btn btn-outline" onClick={onClose}>
            Cancel
          </button>
          <button type="submit" className="btn btn-primary" disabled={isSubmitting}>
            {startWords(several ? count : 1)}
          </button>
        </div>
      </form>
    </Dialog>
  );
}
