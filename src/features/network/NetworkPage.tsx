'use client';
/* Other devices of the house: where they find this workshop, which are signed in, and the door to open or close. */
import { useState } from 'react';
import { format } from 'date-fns';
import { QRCodeSVG } from 'qrcode.react';
import { fileAction } from '@/server/actions';
import type { NetworkState } from '@/server/network/networkActs';
import type { Outcome } from '@/server/write/outcome';
import { refusalWords } from '../refusalWords';
import { sendPatiently } from '../sender';
import { DoorForm } from './DoorForm';

const when = (iso: string) => format(new Date(iso), 'EEE d MMM, HH:mm');

export function NetworkPage({ first }: { first: NetworkState }) {
  const [state, setState] = useState(first);
  const [says, setSays] = useState<string | null>(null);
  const ask = async (action: () => Promise<Outcome<NetworkState>>) => {
    setSays(null);
    try {
      const outcome = await sendPatiently(action);
      if (outcome.ok) setState(outcome.value);
      else setSays(refusalWords(outcome));
    } catch {
      setSays('The server does not answer. Nothing was changed.');
    }
  };
  const { own, open, addresses } = state;
  const plain = addresses.some((one) => one.startsWith('http:'));
  return (
    <main className="min-h-0 flex-1 overflow-y-auto px-5 py-2.5">
      <h1 className="text-[22px] leading-7 font-semibold">Other devices in the house</h1>
      {own ? (
        <OwnDevice name={own.name} looks={own.role === 'viewer'} endsAt={own.endsAt} />
      ) : (
        <>
          <p className="mt-1 max-w-[70ch] text-[17px]" data-testid="door">
            {open ? (
              <>
                <strong>Open.</strong> A tablet or telephone in the same network opens the address or its square and signs in by
                the passphrase.
              </>
            ) : (
              <>
                <strong>Closed.</strong> Only this machine reaches the workshop.
              </>
            )}
          </p>
          {says && (
            <p role="alert" className="mt-1 text-error">
              {says}
            </p>
          )}
          {open && (
            <>
              {addresses[0] !== undefined && (
                <div className="mt-3 inline-block bg-white p-3">
                  <QRCodeSVG value={addresses[0]} size={148} title={`Square that opens ${addresses[0]}`} />
                </div>
              )}
              <ul className="figure text-[17px]">
                {addresses.map((address) => (
                  <li key={address} className="break-all first:text-[22px] first:font-semibold">
                    {address}
                  </li>
                ))}
              </ul>
              {addresses.length === 0 && <p className="text-warning">This machine is in no network now.</p>}
              {plain && (
                <p className="mt-3 max-w-[70ch] text-[15px] text-warning">
                  <strong>Plain http:</strong> whoever listens on this network can read the passphrase and everything else, act as
                  a device that is signed in, and change what passes. Wake lock, microphone and notices stay off on the other
                  devices. In a network you share with strangers, name a certificate below or keep the door closed.
                </p>
              )}
              <Devices state={state} onAsk={ask} />
            </>
          )}
          <DoorForm state={state} onOpened={setState} onClose={() => void ask(() => fileAction('closeNetwork', {}))} />
        </>
      )}
    </main>
  );
}

function OwnDevice({ name, looks, endsAt }: { name: string; looks: boolean; endsAt: string }) {
  return (
    <form method="post" action="/sign-out" className="mt-2 space-y-3 text-[17px]">
      <p>
        This device is <strong>{name}</strong>
        {looks ? ', signed in to look on and tick' : ', signed in to write'} until {when(endsAt)}.
      </p>
      <p className="soft text-[15px]">Who comes in is set at the machine that the workshop runs on.</p>
      <button className="btn btn-outline h-11">Sign out</button>
    </form>
  );
}

function Devices({
  state,
  onAsk,
}: {
  state: NetworkState;
  onAsk: (action: () => Promise<Outcome<NetworkState>>) => Promise<void>;
}) {
  if (state.devices.length === 0) return <p className="soft mt-4 text-[15px]">No device is signed in.</p>;
  return (
    <ul className="figure mt-4 max-w-[900px] text-[15px]" aria-label="Signed in">
      {state.devices.map(({ id, name, role, address, seenAt, endsAt }) => (
        <li key={id} className="hair-b flex flex-wrap items-center gap-x-5 gap-y-1 py-1.5">
          <strong className="min-w-40 flex-1 text-[16px] break-words">{name}</strong>
          <select
            className="select select-sm h-9 w-40"
            aria-label={`What ${name} may do`}
            value={role}
            onChange={({ target }) => {
              const to = target.value === 'viewer' ? 'viewer' : 'maker';
              void onAsk(() => fileAction('changeDevice', { id, role: to }));
            }}
          >
            <option value="maker">writes</option>
            <option value="viewer">view only, ticks</option>
          </select>
          <span className="soft">
            from {address}, seen {when(seenAt)}, until {when(endsAt)}
          </span>
          <button
            type="button"
            className="btn btn-outline btn-sm h-9"
            onClick={() => void onAsk(() => fileAction('endDevice', { id }))}
          >
            End
          </button>
        </li>
      ))}
    </ul>
  );
}
