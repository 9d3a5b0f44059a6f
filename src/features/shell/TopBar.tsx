'use client';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Tape } from '@/core/units/length';
import { typing } from '@/ui/form/typing';
import { useAwake } from '@/ui/useAwake';
import { keepChoice, useWorkshop } from '@/ui/WorkshopContext';
import { Glossary } from '../glossary/Glossary';
import { KeysDialog } from './KeysDialog';

const PLACES = [
  { href: '/', name: 'Bench', key: 'g' },
  { href: '/week', name: 'Week', key: 'e' },
  { href: '/bars', name: 'Bars', key: 'f' },
  { href: '/cloth', name: 'Cloth', key: 'w' },
  { href: '/ground', name: 'Ground', key: 'd' },
  { href: '/store', name: 'Store', key: 's' },
  { href: '/canvases', name: 'Canvases', key: 'v' },
  { href: '/air', name: 'Air', key: 'a' },
  { href: '/log', name: 'Log', key: 'l' },
  { href: '/rules', name: 'House rules', key: 'r' },
  { href: '/file', name: 'File', key: 'k' },
] as const;
const UNITS: Tape['unit'][] = ['mm', 'cm', 'in'];
export type Theme = 'linen' | 'slate';

/** The places of the workshop, the units and the light; keys for all of them. */
export function TopBar({ theme: firstTheme }: { theme: Theme }) {
  const path = usePathname();
  const router = useRouter();
  const { tape, setUnit, device, looksOn } = useWorkshop();
  const [theme, setTheme] = useState(firstTheme);
  const [help, setHelp] = useState(false);
  const awake = useAwake();
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
  // At the bench everything but the step is out of sight.
  if (/^(\/job\/[^/]+\/bench|\/today)$/.test(path)) return <div data-awake={awake} hidden />;
  return (
    <div data-awake={awake} className="hair-b no-print flex flex-wrap items-center gap-x-5 gap-y-1 px-5 py-1.5">
      <Link href="/" prefetch={false} className="figure text-[17px] font-semibold">
        Keen Batten
      </Link>
      <nav aria-label="Places" className="flex max-w-full gap-5 overflow-x-auto text-[15px] whitespace-nowrap">
        {PLACES.map((place) => {
          const here =
            place.href === '/'
              ? path === '/' || path.startsWith('/job') || path.startsWith('/set')
              : place.href === '/file'
                ? /^\/(file|network)/.test(path)
                : path.startsWith(place.href);
          return (
            <Link
              key={place.href}
              href={place.href}
              // All places read ahead at every page would be most of what the server does.
              prefetch={false}
              aria-current={here ? 'page' : undefined}
              className={`border-b-[3px] py-1 ${here ? 'border-primary font-semibold' : 'soft border-transparent hover:border-[var(--hair)]'}`}
            >
              {place.name}
            </Link>
          );
        })}
      </nav>
      <div className="ml-auto flex flex-wrap items-center gap-x-3">
        {device && (
          <Link
            href="/network"
            prefetch={false}
            className="max-w-full basis-full truncate py-1 text-[14px] hover:underline bench:max-w-48 bench:basis-auto"
          >
            {device.name}
            {looksOn && <strong> view only</strong>}
          </Link>
        )}
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
          {theme === 'linen' ? 'Dark' : 'Light'}
        </button>
        <Glossary />
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
