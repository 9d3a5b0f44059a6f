'use client';
/* The label on the back of a canvas read by the camera, or from a picture file where there is none. */
import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { Dialog } from '@/ui/Dialog';
import { FileButton } from '@/ui/form/FileButton';
import { codeIn, pixelsOf, scannedJob } from './scannedJob';

/** Between two looks of the camera, ms. */
const LOOK_MS = 250;

export function ScanDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const video = useRef<HTMLVideoElement>(null);
  const [camera, setCamera] = useState<'asked' | 'on' | 'none'>('asked');
  const [says, setSays] = useState<string | null>(null);
  const read = async (text: string | null): Promise<boolean> => {
    const id = text === null ? null : scannedJob(text);
    if (text === null) return false;
    if (id === null) {
      setSays(`The code says “${text.slice(0, 80)}”: this is no label of a canvas.`);
      return false;
    }
    const answer = await fetch(`/api/job/${id}/inputs`, { cache: 'no-store' }).catch(() => null);
    if (answer?.ok) {
      router.push(`/job/${id}/life`);
      return true;
    }
    setSays(
      answer?.status === 404
        ? 'This label is of a canvas that is not in this workshop: ask for its passport and take that in.'
        : 'The workshop does not answer. Try again in a moment.',
    );
    return false;
  };
  const found = useEffectEvent(read);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setTimeout> | null = null;
    let over = false;
    const look = async () => {
      const { current } = video;
      if (over || !current) return;
      if (current.videoWidth > 0) {
        const text = codeIn(pixelsOf(current, current.videoWidth, current.videoHeight));
        if (text !== null && (await found(text))) return;
      }
      timer = setTimeout(() => void look(), LOOK_MS);
    };
    const start = async () => {
      try {
        stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
      } catch {
        setCamera('none');
        return;
      }
      const { current } = video;
      if (over || !current) return stream.getTracks().forEach((track) => track.stop());
      current.srcObject = stream;
      setCamera('on');
      await current.play().catch(() => undefined);
      void look();
    };
    void start();
    return () => {
      over = true;
      if (timer) clearTimeout(timer);
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, []);
  const take = async (file: File) => {
    setSays(null);
    try {
      const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
      const text = codeIn(pixelsOf(picture, picture.width, picture.height));
      picture.close();
      if (text === null) return setSays(`No code is found in ${file.name}: take it from nearer, flat, in even light.`);
      await read(text);
    } catch {
      setSays(`${file.name} is no picture that the browser can read: take a JPEG, PNG or WebP.`);
    }
  };
  return (
    <Dialog title="Scan the label on the back" onClose={onClose}>
      <div className="space-y-3">
        <video
          ref={video}
          muted
          playsInline
          className={`w-full bg-neutral ${camera === 'on' ? '' : 'hidden'}`}
          aria-label="What the camera sees"
        />
        {camera === 'asked' && <p className="soft">Asking for the camera.</p>}
        {camera === 'none' && (
          <p className="soft">There is no camera here, or it may not be used: pick a picture of the label.</p>
        )}
        {says && (
          <p role="alert" className="text-error">
            {says}
          </p>
        )}
        <div className="flex justify-end gap-2">
          <FileButton label="Picture of the label" accept="image/*" onFile={(file) => void take(file)}>
            A picture of it
          </FileButton>
          <button type="button" className="btn btn-outline btn-sm h-9" onClick={onClose}>
            Close
          </button>
        </div>
      </div>
    </Dialog>
  );
}
