'use client';
/* Stretches of the edges of a painting that hold nothing, each from where to where. */
import { type FoundInputs, MOST_TORN, type TornStretch } from '@/core/painting/foundInputs';
import { length } from '@/core/units/length';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { Choice, LengthField } from '@/ui/form/fields';
import { useWorkshop } from '@/ui/WorkshopContext';

interface TornEdgesProps {
  torn: FoundInputs['torn'];
  locked: boolean;
  change: (torn: FoundInputs['torn']) => void;
}

export function TornEdges({ torn, locked, change }: TornEdgesProps) {
  const say = useSideWords();
  const { tape } = useWorkshop();
  const put = (index: number, stretch: TornStretch | null) =>
    change(torn.flatMap((one, place) => (place !== index ? [one] : stretch ? [stretch] : [])));
  return (
    <div className="space-y-1.5">
      {torn.map((one, index) => {
        const name = `Torn ${index + 1}`;
        const end = say.end(one.side, 0);
        return (
          <div key={index} className="flex max-w-3xl flex-wrap items-end gap-x-3 gap-y-1">
            <div className="w-32">
              <Choice
                label={`${name}, side`}
                value={one.side}
                options={say.sides.map((id) => ({ id, name: say.side(id) }))}
                onChange={(side) => put(index, { ...one, side })}
                disabled={locked}
              />
            </div>
            {(['from', 'to'] as const).map((key) => (
              <div key={key} className="w-44">
                <LengthField
                  label={`${name}, ${key}, off the ${end} end`}
                  of="tapeReading"
                  value={one[key]}
                  onChange={(read) => put(index, { ...one, [key]: read })}
                  disabled={locked}
                />
              </div>
            ))}
            <button
              type="button"
              className="btn btn-ghost btn-sm h-9"
              disabled={locked}
              onClick={() => put(index, null)}
              aria-label={`Remove ${name.toLowerCase()}`}
            >
              Remove
            </button>
          </div>
        );
      })}
      <button
        type="button"
        className="btn btn-outline btn-sm h-9"
        disabled={locked || torn.length >= MOST_TORN}
        onClick={() => change([...torn, { side: 'bottom', from: length(0, tape.unit), to: length(0, tape.unit) }])}
      >
        Add a torn stretch
      </button>
      <p className="soft text-[13px]">
        Where the edge is torn, from and to, along the image. Nothing is fastened there; the margins are those of the rest.
      </p>
    </div>
  );
}
