import { Fragment } from 'react';

const FRACTION = /(\d+)\/(\d+)/g;

/** Splits a sentence so that "24 3/16 in" can set 3/16 as a true fraction and leave 24 at its size. */
export function fractionParts(text: string): { text: string; fraction: boolean }[] {
  const parts: { text: string; fraction: boolean }[] = [];
  let from = 0;
  for (const match of text.matchAll(FRACTION)) {
    if (match.index > from) parts.push({ text: text.slice(from, match.index), fraction: false });
    parts.push({ text: `${match[1]}⁄${match[2]}`, fraction: true });
    from = match.index + match[0].length;
  }
  if (from < text.length) parts.push({ text: text.slice(from), fraction: false });
  return parts;
}

/** Words with figures in them, fractions set as fractions. */
export function Figure({ children }: { children: string }) {
  return (
    <>
      {fractionParts(children).map((part, index) =>
        part.fraction ? (
          <span key={index} className="frac">
            {part.text}
          </span>
        ) : (
          <Fragment key={index}>{part.text}</Fragment>
        ),
      )}
    </>
  );
}
