'use client';
import { useWorkshop } from './WorkshopContext';

/** Asked once on a device that is new: no record is written under a name that nobody chose. */
export function WhoIsHere() {
  const { rules, setMaker, makerChosen, device } = useWorkshop();
  if (device?.role !== 'maker' || makerChosen || rules.makers.length < 2) return null;
  return (
    <div role="dialog" aria-modal aria-label="Who is here?" className="fixed inset-0 z-50 overflow-y-auto bg-base-100 p-6">
      <div className="mx-auto grid min-h-full max-w-md content-center gap-5">
        <p className="text-[30px] leading-9 font-semibold">Whose hands are here?</p>
        <ul className="grid gap-3">
          {rules.makers.map((name) => (
            <li key={name}>
              <button type="button" className="btn btn-outline h-[64px] w-full text-xl" onClick={() => setMaker(name)}>
                {name}
              </button>
            </li>
          ))}
        </ul>
        <p className="soft text-[15px]">
          It stands on every record made at <span className="break-words">{device.name}</span>, and can be changed beside each.
        </p>
      </div>
    </div>
  );
}
