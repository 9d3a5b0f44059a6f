import type { ReactNode } from 'react';

/** A figure with its name above it, in a list of figures. */
export const Fact = ({ name, children }: { name: string; children: ReactNode }) => (
  <div>
    <dt className="soft text-[12.5px] leading-4">{name}</dt>
    <dd className="leading-5">{children}</dd>
  </div>
);
