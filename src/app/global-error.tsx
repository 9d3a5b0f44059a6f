'use client';
/* Stands in for the whole page when not even its frame can be drawn: nothing here leans on the rest of the app. */
import './globals.css';

export default function GlobalError({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <html lang="en" data-theme="linen">
      <body className="flex min-h-dvh flex-col items-start gap-3 bg-base-300 px-5 py-10">
        <h1 className="text-[22px] font-semibold">The workshop could not be shown; nothing recorded is lost</h1>
        <p className="max-w-prose">
          Try again. {error.digest && `The terminal where the app runs says more, under the mark ${error.digest}.`}
        </p>
        <p className="max-w-prose">The records lie in the file of this workshop; copy it before anything else is tried.</p>
        <button type="button" className="btn btn-primary" onClick={reset}>
          Try again
        </button>
      </body>
    </html>
  );
}
