import '@fontsource/barlow/latin-400.css';
import '@fontsource/barlow/latin-600.css';
import '@fontsource/barlow-semi-condensed/latin-400.css';
import '@fontsource/barlow-semi-condensed/latin-600.css';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { DryingStrip } from '@/features/shell/DryingStrip';
import { WaitingSign } from '@/features/shell/WaitingSign';
import { TopBar } from '@/features/shell/TopBar';
import { spellOf } from '@/server/air/airWrites';
import { askedBy } from '@/server/network/asking';
import { openWorkshop } from '@/server/openWorkshop';
import { dryingClocks } from '@/server/bench/benchPage';
import { houseRules } from '@/server/house/houseRuleWrites';
import { WhoIsHere } from '@/ui/WhoIsHere';
import { WorkshopProvider } from '@/ui/WorkshopContext';
import { unitChosen } from './unitChosen';

export const metadata: Metadata = { title: 'Keen Batten', description: 'Plans and records canvas stretching.' };
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const kept = await cookies();
  const theme = kept.get('theme')?.value === 'slate' ? 'slate' : 'linen';
  const maker = kept.get('maker')?.value ?? null;
  const workshop = openWorkshop();
  const device = askedBy(workshop, await headers())?.device;
  const { rules } = houseRules(workshop);
  return (
    <html lang="en" data-theme={theme}>
      <body className="flex min-h-dvh flex-col bg-base-300 bench:h-dvh">
        <WorkshopProvider
          rules={rules}
          unit={await unitChosen()}
          maker={maker}
          device={device ? { name: device.name, role: device.role } : null}
        >
          <WhoIsHere />
          <TopBar theme={theme} />
          <WaitingSign />
          {children}
          <DryingStrip news={{ ...dryingClocks(workshop), spell: spellOf(workshop) }} nowMs={workshop.now().getTime()} />
        </WorkshopProvider>
      </body>
    </html>
  );
}
