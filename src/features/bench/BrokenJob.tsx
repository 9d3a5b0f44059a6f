'use client';
/* A job whose row cannot be read: what is wrong, and the four ways on. */
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { BrokenJob as Broken } from '@/db/jobs';
import type { Outcome } from '@/server/write/outcome';
import { FileButton } from '@/ui/form/FileButton';
import { fileText } from '../fileText';
import { refusalOf } from '../refusalWords';
import { useSend } from '../useSend';

export function BrokenJob({ job: { id, number, title, revision, aside, because } }: { job: Broken }) {
  const router = useRouter();
  const send = useSend();
  const [says, setSays] = useState<string | null>(null);
  const settle = async (asked: Promise<Outcome<unknown>>) => {
    setSays(refusalOf(await asked));
    router.refresh();
  };
  return (
    <article className="hair-b flex flex-col gap-1 py-2" data-testid="broken">
      <h2 className="text-[16px] leading-5 font-semibold">
        <span className="text-error">{aside ? 'Set aside.' : 'Cannot be read.'}</span> No. {number}, {title || 'no title'}
      </h2>
      <p className="soft max-w-prose text-[14px] break-words">{because}</p>
      <p className="max-w-prose text-[14px]">Nothing of it is lost: its rows stay in the file as they are.</p>
      <div className="flex flex-wrap gap-2">
        <a className="btn btn-outline btn-sm h-9" href={`/api/job/${id}/raw`} download>
          Keep a copy as it is
        </a>
        <FileButton
          label={`Mended file for No. ${number}`}
          onFile={async (file) => {
            const read = await fileText(file);
            if (!read.ok) return setSays(read.says);
            await settle(send('mendJob', { jobId: id, revision, text: read.text }));
          }}
        >
          Take a mended file
        </FileButton>
        <button
          type="button"
          className="btn btn-outline btn-sm h-9"
          onClick={() => void settle(send('mendJob', { jobId: id, revision, text: null }))}
        >
          Take what was recorded last
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm h-9"
          onClick={() => void settle(send('setAside', { jobId: id, revision, aside: !aside }))}
        >
          {aside ? 'Bring back' : 'Set aside'}
        </button>
      </div>
      {says && (
        <p role="alert" className="text-[14px] text-error">
          {says}
        </p>
      )}
    </article>
  );
}
