import { wordAt, type Sentence } from '@/core/tools/speech';

export interface Manner {
  /** 0.5 to 2; 1 is the voice's own pace. */
  readonly rate: number;
  /** 0 to 1. */
  readonly volume: number;
}

/** Somebody who can speak: the device's own voice or the shipped one, behind one face. */
export interface Voice {
  /** What it is called, for the student. */
  readonly name: string;
  readonly kind: 'device' | 'shipped';
  /** Speaks a sentence to its end, and tells which word it is at. Rejects when it cannot; a stopped one never ends. */
  speak(sentence: Sentence, manner: Manner, onWord: (word: number) => void): Promise<void>;
  /** Fetches whatever it needs to speak. Rejects when it cannot be had now. */
  ready(): Promise<unknown>;
  /** Gets the next sentence ready while this one is spoken. */
  prepare(sentence: Sentence, manner: Manner): void;
  pause(): void;
  resume(): void;
  stop(): void;
}

/** The voices of the device; some browsers have them only a moment after they were asked for. */
const VOICES_WITHIN_MS = 600;
async function deviceVoices(): Promise<readonly SpeechSynthesisVoice[]> {
  if (typeof speechSynthesis === 'undefined') return [];
  const now = speechSynthesis.getVoices();
  if (now.length > 0) return now;
  await new Promise((resolve) => {
    speechSynthesis.addEventListener('voiceschanged', resolve, { once: true });
    setTimeout(resolve, VOICES_WITHIN_MS);
  });
  return speechSynthesis.getVoices();
}

/** The device's voice for a language; one that needs no network is preferred. */
const voiceFor = (voices: readonly SpeechSynthesisVoice[], language: string) => {
  const [base = 'en'] = language.toLowerCase().split('-');
  const fitting = voices.filter((voice) => voice.lang.toLowerCase().startsWith(base));
  return fitting.find((voice) => voice.localService) ?? fitting[0] ?? null;
};

class DeviceVoice implements Voice {
  readonly kind = 'device';
  constructor(private readonly voices: readonly SpeechSynthesisVoice[]) {}
  get name(): string {
    return voiceFor(this.voices, document.documentElement.lang)?.name ?? '';
  }
  speak(sentence: Sentence, { rate, volume }: Manner, onWord: (word: number) => void): Promise<void> {
    return new Promise((resolve, reject) => {
      const utterance = new SpeechSynthesisUtterance(sentence.words);
      utterance.lang = sentence.language;
      utterance.voice = voiceFor(this.voices, sentence.language);
      utterance.rate = rate;
      utterance.volume = volume;
      onWord(0);
      utterance.onboundary = ({ name, charIndex }) => {
        if (name === 'word')
          onWord(
            Math.max(
              0,
              sentence.spoken.findLastIndex(({ at }) => at <= charIndex),
            ),
          );
      };
      utterance.onend = () => resolve();
      utterance.onerror = ({ error }) => {
        if (error !== 'canceled' && error !== 'interrupted') reject(new Error(error));
      };
      speechSynthesis.speak(utterance);
    });
  }
  ready(): Promise<unknown> {
    return Promise.resolve();
  }
  prepare(): void {
    // The device needs no time to get ready.
  }
  pause(): void {
    speechSynthesis.pause();
  }
  resume(): void {
    speechSynthesis.resume();
  }
  stop(): void {
    speechSynthesis.cancel();
  }
}

interface Sound {
  readonly samples: Float32Array<ArrayBuffer>;
  readonly rate: number;
}

/** The shipped voice: a synthesizer in a worker, which needs no network and no voices of the device. */
class ShippedVoice implements Voice {
  readonly kind = 'shipped';
  readonly name = '';
  private readonly worker = new Worker(new URL('./voice.worker.ts', import.meta.url), { type: 'module' });
  private readonly waiting = new Map<
    number,
    { resolve: (sound: Sound) => void; reject: (error: Error) => void }
  >();
  private readonly sounds = new Map<string, Promise<Sound>>();
  /** Begun when it first speaks: a page that nobody has pressed yet may not sound. */
  private context: AudioContext | null = null;
  private source: AudioBufferSourceNode | null = null;
  private turn = 0;
  private asked = 0;

  constructor() {
    this.worker.onmessage = ({ data }: MessageEvent<{ id: number; sound?: Sound; error?: string }>) => {
      const waiting = this.waiting.get(data.id);
      this.waiting.delete(data.id);
      if (data.sound) waiting?.resolve(data.sound);
      else waiting?.reject(new Error(data.error ?? 'no sound'));
    };
    this.worker.onerror = () => {
      for (const { reject } of this.waiting.values()) reject(new Error('the voice did not start'));
      this.waiting.clear();
    };
  }

  private soundOf(sentence: Sentence, { rate }: Manner): Promise<Sound> {
    const key = `${rate} ${sentence.words}`;
    const known = this.sounds.get(key);
    if (known) return known;
    const sound = this.ask(sentence.words, rate);
    sound.catch(() => this.sounds.delete(key));
    this.sounds.set(key, sound);
    const [oldest] = this.sounds.keys();
    if (this.sounds.size > KEPT && oldest !== undefined) this.sounds.delete(oldest);
    return sound;
  }

  private ask(words: string, rate: number): Promise<Sound> {
    this.asked += 1;
    const id = this.asked;
    const sound = new Promise<Sound>((resolve, reject) => this.waiting.set(id, { resolve, reject }));
    this.worker.postMessage({ id, words, rate });
    return sound;
  }
  ready(): Promise<unknown> {
    return this.ask('', 1);
  }

  prepare(sentence: Sentence, manner: Manner): void {
    void this.soundOf(sentence, manner).catch(() => undefined);
  }

  async speak(sentence: Sentence, manner: Manner, onWord: (word: number) => void): Promise<void> {
    this.turn += 1;
    const { turn } = this;
    onWord(0);
    const { samples, rate } = await this.soundOf(sentence, manner);
    if (turn !== this.turn) return new Promise(() => undefined);
    const context = (this.context ??= new AudioContext());
    if (context.state === 'suspended') await context.resume();
    const buffer = context.createBuffer(1, samples.length, rate);
    buffer.copyToChannel(samples, 0);
    const source = context.createBufferSource();
    source.buffer = buffer;
    const volume = context.createGain();
    volume.gain.value = manner.volume;
    source.connect(volume).connect(context.destination);
    const begun = context.currentTime;
    let frame = 0;
    const follow = () => {
      if (turn !== this.turn) return;
      onWord(wordAt(sentence, Math.min(1, (context.currentTime - begun) / buffer.duration)));
      frame = requestAnimationFrame(follow);
    };
    return new Promise((resolve) => {
      source.onended = () => {
        cancelAnimationFrame(frame);
        if (turn === this.turn) resolve();
      };
      this.source = source;
      source.start();
      follow();
    });
  }
  pause(): void {
    void this.context?.suspend();
  }
  resume(): void {
    void this.context?.resume();
  }
  stop(): void {
    this.turn += 1;
    this.source?.stop();
    this.source = null;
  }
}
/** Sentences whose sound is kept: the one spoken, the next, and a few to go back to. */
const KEPT = 8;

let known: Promise<Voice> | null = null;

/** The device's voice where it has one for the page's language, else the shipped one. Found once. */
export function findVoice(): Promise<Voice> {
  known ??= deviceVoices().then((voices) =>
    voiceFor(voices, document.documentElement.lang || 'en') ? new DeviceVoice(voices) : new ShippedVoice(),
  );
  return known;
}
