'use client';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Tape } from '@/core/units/length';
import { typing } from '@/ui/typing';
import { keepChoice, useWorkshop } from '@/ui/WorkshopContext';
import { KeysDialog } from './KeysDialog';

const PLACES = [
  { href: '/', name: 'Bench', key: 'g' },
  { href: '/bars', name: 'Bars', key: 'f' },
  { href: '/cloth', name: 'Cloth', key: 'w' },
  { href: '/ground', name: 'Ground', key: 'd' },
  { href: '/air', name: 'Air', key: 'a' },
  { href: '/log', name: 'Log', key: 'l' },
  { href: '/rules', name: 'House rules', key: 'r' },
] as const;
const UNITS: Tape['unit'][] = ['mm', 'cm', 'in'];
export type Theme = 'linen' | 'slate';

/** The places of the workshop, the units and the light; keys for all of them. */
export function TopBar({ theme: firstTheme }: { theme: Theme }) {
  const path = usePathname();
  const router = useRouter();
  const { tape, setUnit } = useWorkshop();
  const [theme, setTheme] = useState(firstTheme);
  const [help, setHelp] = useState(false);
  const light = () => {
    const next = theme === 'linen' ? 'slate' : 'linen';
    setTheme(next);
    keepChoice('theme', next);
    document.documentElement.dataset.theme = next;
  };
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (typing(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === '?') return setHelp(true);
      if (event.key === 'u') return setUnit(UNITS[(UNITS.indexOf(tape.unit) + 1) % UNITS.length]!);
      if (event.key === '/') {
        const search = document.querySelector<HTMLInputElement>('input[type=search]');
        event.preventDefault();
        return search ? search.focus() : router.push('/log?find');
      }
      const place = PLACES.find((one) => one.key === event.key);
      if (place) router.push(place.href);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [router, setUnit, tape.unit]);
  return (
    <div className="hair-b no-print flex flex-wrap items-center gap-x-5 gap-y-1 px-5 py-1.5">
      <Link href="/" className="figure text-[17px] font-semibold">
        Keen Batten
      </Link>
      <nav aria-label="Places" className="flex max-w-full gap-5 overflow-x-auto text-[15px] whitespace-nowrap">
        {PLACES.map((place) => {
          const here = place.href === '/' ? path === '/' || path.startsWith('/job') : path.startsWith(place.href);
          return (
            <Link
              key={place.href}
              href={place.href}
              aria-current={here ? 'page' : undefined}
              className={`border-b-[3px] py-1 ${here ? 'border-primary font-semibold' : 'soft border-transparent hover:border-[var(--hair)]'}`}
            >
              {place.name}
            </Link>
          );
        })}
      </nav>
      <div className="ml-auto flex items-center gap-3">
        <div className="join" role="group" aria-label="Units">
          {UNITS.map((unit) => (
            <button
              key={unit}
              type="button"
              aria-pressed={tape.unit === unit}
              className={`btn join-item btn-xs h-7 px-3 ${tape.unit === unit ? 'btn-neutral' : 'btn-outline'}`}
              onClick={() => setUnit(unit)}
            >
              {unit}
            </button>
          ))}
        </div>
        <button type="button" className="btn btn-ghost btn-xs h-7 text-[14px] font-normal" onClick={light}>
          {theme === 'linen' ? 'Evening' : 'Day'}
        </button>
        <button
          type="button"
          className="btn btn-outline btn-xs h-7 w-7"
          aria-label="Keys"
          title="Keys (?)"
          onClick={() => setHelp(true)}
        >
          ?
        </button>
      </div>
      {help && <KeysDialog onClose={() => setHelp(false)} />}
    </div>
  );
}
