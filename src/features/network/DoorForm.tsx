'use client';
/* What the door is opened by: a passphrase, a port, and the house’s own certificate where there is one. */
import { useState } from 'react';
import { fileAction } from '@/server/actions';
import type { NetworkState } from '@/server/network/networkActs';
import { NumberField, TextField, Tick } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';
import { refusalWords } from '../refusalWords';
import { sendPatiently } from '../sender';

interface DoorFormProps {
  state: NetworkState;
  onOpened: (state: NetworkState) => void;
  onClose: () => void;
}

export function DoorForm({ state, onOpened, onClose }: DoorFormProps) {
  const { set, open, usual } = state;
  const [door, setDoor] = useState({
    passphrase: '',
    looking: set?.looking ?? false,
    lookingPassphrase: '',
    port: set?.port ?? usual.port,
    hours: set?.hours ?? usual.hours,
    certFile: set?.certFile ?? '',
    keyFile: set?.keyFile ?? '',
  });
  const change = (patch: Partial<typeof door>) => setDoor((before) => ({ ...before, ...patch }));
  const [kept, setKept] = useState('');
  const openIt = async (): Promise<string | null> => {
    try {
      const outcome = await sendPatiently(() => fileAction('openNetwork', door));
      if (!outcome.ok) return refusalWords(outcome);
      setKept(open ? 'Kept. Whoever signed in by an older passphrase signs in again.' : '');
      onOpened(outcome.value);
      change({ passphrase: '', lookingPassphrase: '' });
      return null;
    } catch {
      return 'The server does not answer. Nothing was changed.';
    }
  };
  return (
    <Form className="mt-6 max-w-[44rem] space-y-4" onSend={openIt}>
      <h2 className="text-[17px] font-semibold">{open ? 'Change network access' : 'Network access for other devices'}</h2>
      <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
        <TextField
          label="Passphrase"
          of="passphrase"
          type="password"
          autoComplete="new-password"
          hint={set ? 'Empty keeps the one that was set.' : 'At least 12 letters; four odd words do well.'}
          className="h-11"
          value={door.passphrase}
          onChange={(passphrase) => change({ passphrase })}
        />
        <NumberField
          label="A device stays signed in, hours"
          of="count"
          range={[1, 720]}
          className="h-11"
          value={door.hours}
          onChange={(hours) => change({ hours })}
        />
        <div className="sm:col-span-2">
          <Tick
            label="Some devices look on: they see everything and tick the kit, by a passphrase of their own"
            checked={door.looking}
            onChange={(looking) => change({ looking })}
          />
        </div>
        {door.looking && (
          <TextField
            label="Passphrase to look on"
            of="passphrase"
            type="password"
            autoComplete="new-password"
            hint={set?.looking ? 'Empty keeps the one that was set.' : 'Another one than above.'}
            className="h-11"
            value={door.lookingPassphrase}
            onChange={(lookingPassphrase) => change({ lookingPassphrase })}
          />
        )}
      </div>
      <details>
        <summary className="cursor-pointer py-2 text-[15px]">Port and certificate</summary>
        <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
          <NumberField
            label="Port"
            of="count"
            range={[1, 65_535]}
            className="h-11"
            value={door.port}
            onChange={(port) => change({ port })}
          />
          <p className="soft self-end text-[14px]">
            With a certificate of this house (PEM files on this machine) the way is encrypted.
          </p>
          <TextField
            label="Certificate file"
            of="file"
            className="h-11"
            value={door.certFile}
            onChange={(certFile) => change({ certFile })}
          />
          <TextField
            label="Key file"
            of="file"
            className="h-11"
            value={door.keyFile}
            onChange={(keyFile) => change({ keyFile })}
          />
        </div>
      </details>
      <div className="flex flex-wrap items-center gap-3">
        <SendButton className="btn btn-primary h-11" says={kept}>
          {open ? 'Save the change' : 'Turn on network access'}
        </SendButton>
        {open && (
          <button type="button" className="btn btn-outline h-11" onClick={onClose}>
            Turn off and sign everyone out
          </button>
        )}
      </div>
    </Form>
  );
}
