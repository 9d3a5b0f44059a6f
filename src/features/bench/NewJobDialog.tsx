'use client';
import { useRouter } from 'next/navigation';
import { useForm } from 'react-hook-form';
import { createJobAction } from '@/server/actions';
import { FACE_RANGE_MM } from '@/core/stages/brief/briefInputs';
import { type Length, parseLength, printLength } from '@/core/units/length';
import { Dialog } from '@/ui/Dialog';
import { useWorkshop } from '@/ui/WorkshopContext';

interface NewJob {
  title: string;
  width: string;
  height: string;
}

/** Three answers start a job; everything else has a usual choice to be changed later. */
export function NewJobDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const { tape } = useWorkshop();
  const form = useForm<NewJob>({ defaultValues: { title: '', width: '', height: '' } });
  const { errors, isSubmitting } = form.formState;
  const readFace = (typed: string) => {
    const result = parseLength(typed, tape.unit);
    if (!result.ok) return result.error;
    const { least, most } = FACE_RANGE_MM;
    const inRange = result.value.mm >= least && result.value.mm <= most;
    return inRange
      ? true
      : `“${typed}” is no face we stretch: ${printLength(least, tape)} to ${printLength(most, tape)}. Check the unit.`;
  };
  const create = form.handleSubmit(async ({ title, width, height }) => {
    const face = (typed: string) => (parseLength(typed, tape.unit) as { value: Length }).value;
    const outcome = await createJobAction({ title: title.trim(), width: face(width), height: face(height) });
    if (outcome.ok) return router.push(`/job/${outcome.value.id}`);
    form.setError('root', {
      message:
        outcome.kind === 'invalid'
          ? outcome.errors.map((error) => `${error.field}: ${error.says}`).join('; ')
          : 'The job could not be made.',
    });
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
        <div className="grid grid-cols-2 gap-3">
          {field('width', 'Face width', tape.unit === 'in' ? '36 or 2\' 6"' : '915 or 91.5 cm', readFace)}
          {field('height', 'Face height', tape.unit === 'in' ? '24 3/16' : '640', readFace)}
        </div>
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
            Start the job
          </button>
        </div>
      </form>
    </Dialog>
  );
}
