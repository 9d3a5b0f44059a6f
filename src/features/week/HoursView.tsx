'use client';
/* What the house plans its days by: hours, days unlike others, who is there and does what, places to dry, set-ups, what is wanted. */
import { useState } from 'react';
import { ArrowUp, Plus } from 'lucide-react';
import { dayWords } from '@/core/week/dateVerdicts';
import { MOST_CHANGES, WANTED, type WeekSettings, weekSettingsViolations, weekSettingsShape } from '@/core/week/weekSettings';
import { STAGES } from '@/core/stages/stages';
import { parsed, refused } from '@/core/units/result';
import { ActButton, Form, SendButton } from '@/ui/form/Form';
import { Choice, LengthField, NumberField, Tick, TypedField } from '@/ui/form/fields';
import { useAwake } from '@/ui/useAwake';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useWrite } from '../useWrite';
import { MOST_CHANGED_DAYS, changedSpans, withSpan, withoutSpan } from '@/core/week/changedDays';
import { daysBetween } from '@/core/week/weekTime';
import { DayField } from '@/ui/form/DayField';
import { PlaceFields, Remove } from './PlaceFields';
import { WeekHours, printHours, readHours } from './WeekHours';

/** What is set up once for all that is done together. */
const SET_UP_FIELDS = [
  { id: 'sawMinutes', label: 'Set up the saw' },
  { id: 'potMinutes', label: 'Mix a pot' },
  { id: 'washMinutes', label: 'Wash out' },
  { id: 'togetherHours', label: 'Longest wait to share a set-up' },
] as const;

interface HoursViewProps {
  settings: WeekSettings;
  revision: number;
  /** By the clock of the house. */
  today: string;
}

export function HoursView({ settings: stored, revision: read, today }: HoursViewProps) {
  const write = useWrite();
  const { rules } = useWorkshop();
  const awake = useAwake();
  // Whoever is no longer a maker of the house has no days here.
  const [settings, setSettings] = useState(() => ({
    ...stored,
    makers: stored.makers.filter(({ maker }) => rules.makers.includes(maker)),
    changes: stored.changes.filter(({ maker }) => maker === '' || rules.makers.includes(maker)),
  }));
  const [revision, setRevision] = useState(read);
  const set = (patch: Partial<WeekSettings>) => setSettings({ ...settings, ...patch });
  const violations = weekSettingsViolations(settings, rules.makers);
  const save = () => violations[0] ?? write('saveWeek', { revision, settings }, (answer) => setRevision(answer.revision));
  return (
    <Form className="grid gap-x-12 gap-y-6 bench:grid-cols-2" onSend={save}>
      <fieldset disabled={!awake} className="contents">
        <div className="space-y-6">
          <section className="space-y-1">
            <h2 className="text-[17px] font-semibold">Opening hours</h2>
            <WeekHours hours={settings.hours} onChange={(hours) => set({ hours })} />
          </section>
          {rules.makers.map((maker) => (
            <MakerDays key={maker} maker={maker} settings={settings} onChange={set} />
          ))}
          <ChangedDays settings={settings} makers={rules.makers} today={today} onChange={(changes) => set({ changes })} />
        </div>
        <div className="space-y-6">
          <PlaceFields settings={settings} onChange={(places) => set({ places })} />
          <section className="space-y-2">
            <h2 className="text-[17px] font-semibold">Set up once for all that is done together</h2>
            <div className="grid grid-cols-2 gap-3">
              {SET_UP_FIELDS.map(({ id, label }) => (
                <NumberField
                  key={id}
                  label={label}
                  of={weekSettingsShape[id]}
                  value={settings[id]}
                  onChange={(value) => set({ [id]: value })}
                />
              ))}
              <NumberField
                label="Usual difference from the estimate"
                of="workSpread"
                value={settings.spreadPercent}
                onChange={(spreadPercent) => set({ spreadPercent })}
              />
              <LengthField
                label="A large frame has a side over"
                of="roomFor"
                value={settings.largeFrom}
                onChange={(largeFrom) => set({ largeFrom })}
              />
            </div>
          </section>
          <section className="space-y-1">
            <h2 className="text-[17px] font-semibold">Priorities, highest first</h2>
            <ol className="list-decimal pl-5">
              {settings.wanted.map((id, index) => (
                <li key={id} className="leading-9">
                  {WANTED.find((one) => one.id === id)!.name}
                  {index > 0 && (
                    <button
                      type="button"
                      className="btn btn-ghost btn-sm ml-2 h-8 px-2"
                      aria-label={`${WANTED.find((one) => one.id === id)!.name}: before the one above`}
                      onClick={() => {
                        const wanted = [...settings.wanted];
                        [wanted[index - 1], wanted[index]] = [wanted[index]!, wanted[index - 1]!];
                        set({ wanted });
                      }}
                    >
                      <ArrowUp aria-hidden className="size-4" />
                    </button>
                  )}
                </li>
              ))}
            </ol>
          </section>
          <section aria-label="Calendars" className="space-y-1">
            <h2 className="text-[17px] font-semibold">Calendar files</h2>
            <p className="soft text-[14px]">
              To be taken in by a calendar, again and again: what moved moves there too. An address on this machine, only to be
              read.
            </p>
            <ul className="figure">
              {['all', ...rules.makers].map((name) => (
                <li key={name}>
                  <a className="link link-primary" href={`/calendar/${encodeURIComponent(name)}.ics`}>
                    {name === 'all' ? 'Everybody' : name}
                  </a>{' '}
                  <span className="soft">/calendar/{encodeURIComponent(name)}.ics</span>
                </li>
              ))}
            </ul>
          </section>
          <section aria-label="Save" className="space-y-2">
            {violations.slice(0, 4).map((one) => (
              <p key={one} role="alert" className="text-error">
                {one}
              </p>
            ))}
            <SendButton className="btn btn-primary h-11" disabled={violations.length > 0} says="Saved.">
              Save hours and places
            </SendButton>
          </section>
        </div>
      </fieldset>
    </Form>
  );
}

function MakerDays({
  maker,
  settings,
  onChange,
}: {
  maker: string;
  settings: WeekSettings;
  onChange: (patch: Partial<WeekSettings>) => void;
}) {
  const own = settings.makers.find((one) => one.maker === maker) ?? {
    maker,
    ownHours: false,
    hours: [],
    leaves: [],
    squeezes: null,
  };
  const set = (patch: Partial<typeof own>) =>
    onChange({ makers: [...settings.makers.filter((one) => one.maker !== maker), { ...own, ...patch }] });
  return (
    <section aria-label={maker} className="space-y-1">
      <h2 className="text-[17px] font-semibold">{maker}</h2>
      <Tick
        label={`Own hours, ${maker}`}
        checked={own.ownHours}
        onChange={(ownHours) => set({ ownHours, hours: ownHours && own.hours.length === 0 ? settings.hours : own.hours })}
      />
      {own.ownHours && <WeekHours of={`${maker}, `} hours={own.hours} onChange={(hours) => set({ hours })} />}
      <NumberFieldOrNone
        label={`Squeezes of a hand stapler in a day, ${maker}`}
        value={own.squeezes}
        onChange={(squeezes) => set({ squeezes })}
      />
      <fieldset>
        <legend className="soft text-[13px]">Leaves to others</legend>
        <div className="flex flex-wrap gap-x-4">
          {STAGES.map(({ id, name }) => (
            <Tick
              key={id}
              label={name}
              checked={own.leaves.includes(id)}
              onChange={(on) => set({ leaves: on ? [...own.leaves, id] : own.leaves.filter((one) => one !== id) })}
            />
          ))}
        </div>
      </fieldset>
    </section>
  );
}

const NumberFieldOrNone = ({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number | null;
  onChange: (value: number | null) => void;
}) => (
  <TypedField
    label={label}
    value={value}
    inputMode="decimal"
    placeholder="as the house"
    print={(one) => (one === null ? '' : String(one))}
    read={(typed) => {
      if (typed.trim() === '') return parsed<number | null>(null);
      const number = Number(typed);
      return Number.isInteger(number) && number >= 1 && number <= 5000
        ? parsed<number | null>(number)
        : refused<number | null>(typed, 'is no number of squeezes', 'A whole number from 1 to 5000, or nothing for the house’s.');
    }}
    onChange={onChange}
  />
);

function ChangedDays({
  settings,
  makers,
  today,
  onChange,
}: {
  settings: WeekSettings;
  makers: readonly string[];
  today: string;
  onChange: (changes: WeekSettings['changes']) => void;
}) {
  const [on, setOn] = useState(today);
  const [lastDay, setUntil] = useState(today);
  const [maker, setMaker] = useState('');
  const [windows, setWindows] = useState<[number, number][]>([]);
  const whose = [{ id: '', name: 'everybody' }, ...makers.map((name) => ({ id: name, name }))];
  // A day alone where the end was left before the beginning.
  const until = lastDay < on ? on : lastDay;
  return (
    <section aria-label="Exceptions" className="space-y-1">
      <h2 className="text-[17px] font-semibold">Exceptions</h2>
      <ul>
        {changedSpans(settings.changes).map((span) => {
          const { from, until: end, maker: who, windows: open } = span;
          const days = from === end ? dayWords(from) : `${dayWords(from)} to ${dayWords(end)}`;
          const name = `${days} ${end.slice(0, 4)}, ${who === '' ? 'everybody' : who}: ${open.length === 0 ? 'away' : printHours(open)}`;
          return (
            <li key={`${from} ${who}`} className="flex items-center gap-2">
              <span className="figure">{name}</span>
              <Remove label={`Take away: ${name}`} onClick={() => onChange(withoutSpan(settings.changes, span))} />
            </li>
          );
        })}
      </ul>
      <div className="flex flex-wrap items-end gap-3">
        <DayField label="Day" value={on} least="2000-01-01" onChange={setOn} />
        <DayField label="Until" value={until} least={on} onChange={setUntil} />
        <Choice label="Maker" value={maker} options={whose} onChange={setMaker} />
        <TypedField
          label="Hours that day"
          value={windows}
          print={printHours}
          read={readHours}
          placeholder="away"
          onChange={setWindows}
        />
        <ActButton
          act={() => {
            const changes =
              daysBetween(on, until) < MOST_CHANGED_DAYS ? withSpan(settings.changes, { from: on, until, maker, windows }) : null;
            if (!changes || changes.length > MOST_CHANGES)
              return `From ${dayWords(on)} to ${dayWords(until)} are too many days: ${MOST_CHANGED_DAYS} at most at once.`;
            onChange(changes);
            return null;
          }}
        >
          <Plus aria-hidden className="size-4" /> Add the day
        </ActButton>
      </div>
    </section>
  );
}
