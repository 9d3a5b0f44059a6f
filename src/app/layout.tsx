import '@fontsource/barlow/latin-400.css';
import '@fontsource/barlow/latin-600.css';
import '@fontsource/barlow-semi-condensed/latin-400.css';
import '@fontsource/barlow-semi-condensed/latin-600.css';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { DryingStrip } from '@/features/shell/DryingStrip';
import { TopBar } from '@/features/shell/TopBar';
import { spellOf } from '@/server/airCases';
import { openWorkshop } from '@/server/openWorkshop';
import { benchRows, dryingClocks, houseRules } from '@/server/workshopCases';
import { WorkshopProvider } from '@/ui/WorkshopContext';

export const metadata: Metadata = { title: 'Keen Batten', description: 'Plans and records canvas stretching.' };
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const kept = await cookies();
  const theme = kept.get('theme')?.value === 'slate' ? 'slate' : 'linen';
  const unit = (['mm', 'cm', 'in'] as const).find((one) => one === kept.get('unit')?.value) ?? 'mm';
  const maker = kept.get('maker')?.value ?? null;
  const workshop = openWorkshop();
  const { rules } = houseRules(workshop);
  return (
    <html lang="en" data-theme={theme}>
      <body className="flex min-h-dvh flex-col bg-base-300 bench:h-dvh">
        <WorkshopProvider rules={rules} unit={unit} maker={maker}>
          <TopBar theme={theme} />
          {children}
          <DryingStrip
            news={{ clocks: dryingClocks(benchRows(workshop)), spell: spellOf(workshop) }}
            nowMs={workshop.now().getTime()}
          />
        </WorkshopProvider>
      </body>
    </html>
  );
}
