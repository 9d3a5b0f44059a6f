/*
 * A voice that says a step, and an ear that hears a word. The browser’s own where it has them; else the stand-ins: words that
 * are shown, and a line that is typed.
 */
export interface Voice {
  /** Stops what is being said and says this. */
  say: (words: string) => void;
  stop: () => void;
}

export interface Ear {
  /** Hears until it is stopped. */
  listen: (heard: (words: string) => void, stopped: (because: string | null) => void) => void;
  stop: () => void;
}

/** The browser’s voice, or null where it has none. */
export function browserVoice(): Voice | null {
  if (typeof window === 'undefined' || !('speechSynthesis' in window)) return null;
  const { speechSynthesis } = window;
  return {
    say: (words) => {
      speechSynthesis.cancel();
      const said = new SpeechSynthesisUtterance(words);
      said.lang = 'en';
      speechSynthesis.speak(said);
    },
    stop: () => speechSynthesis.cancel(),
  };
}

/** What browsers have of the recogniser; none has it in its types. */
interface Recogniser {
  lang: string;
  continuous: boolean;
  interimResults: boolean;
  onresult: ((event: { resultIndex: number; results: ArrayLike<ArrayLike<{ transcript: string }>> }) => void) | null;
  onerror: ((event: { error: string }) => void) | null;
  onend: (() => void) | null;
  start: () => void;
  stop: () => void;
}

/** Words for why a recogniser gave up. */
const BECAUSE: Record<string, string> = {
  'not-allowed': 'The microphone is not allowed for this page.',
  'service-not-allowed': 'This browser has its speech service switched off.',
  'audio-capture': 'There is no microphone.',
  network: 'The speech service of this browser cannot be reached.',
};

/** The browser’s ear, or null where it has none. Some browsers send what they hear to a service of theirs. */
export function browserEar(): Ear | null {
  const made = globalThis as unknown as Record<string, (new () => Recogniser) | undefined>;
  const Made = made.SpeechRecognition ?? made.webkitSpeechRecognition;
  if (!Made) return null;
  let recogniser: Recogniser | null = null;
  return {
    listen: (heard, stopped) => {
      const own = new Made();
      let because: string | null = null;
      recogniser = own;
      own.lang = 'en';
      own.continuous = true;
      own.interimResults = false;
      own.onresult = ({ resultIndex, results }) => {
        for (let at = resultIndex; at < results.length; at += 1) heard(results[at]![0]!.transcript);
      };
      own.onerror = ({ error }) => {
        because = BECAUSE[error] ?? null;
      };
      own.onend = () => {
        // A recogniser ends by itself after a silence: it is started again while it is wanted.
        if (recogniser === own && because === null) own.start();
        else stopped(because);
      };
      own.start();
    },
    stop: () => {
      const own = recogniser;
      recogniser = null;
      own?.stop();
    },
  };
}
