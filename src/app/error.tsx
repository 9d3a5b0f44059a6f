'use client';

export default function ErrorPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <main className="flex flex-1 flex-col items-start gap-3 px-5 py-10">
      <h1 className="text-[22px] font-semibold">This screen broke; nothing recorded is lost</h1>
      <p className="soft max-w-prose">
        Try again, or go on from another place.{' '}
        {error.digest && `The terminal where the app runs says more, under the mark ${error.digest}.`}
      </p>
      <button type="button" className="btn btn-primary" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
