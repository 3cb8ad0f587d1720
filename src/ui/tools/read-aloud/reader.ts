import type { Sentence } from '@/core/tools/speech';
import { pageStore } from '../../kit/pageStore';
import { onQuiet } from '../../kit/quiet';
import { rangesFor } from '../domText';
import { findVoice, type Manner, type Voice } from './voice';

export type ReaderStatus = 'idle' | 'starting' | 'reading' | 'paused' | 'failed';

/** What is read, and where the reading is. One for the page: two voices at once are none. */
class Reader {
  private readonly state = pageStore<ReaderStatus>('idle');
  private sentences: readonly Sentence[] = [];
  private root: HTMLElement | null = null;
  private at = 0;
  private turn = 0;
  private manner: Manner = { rate: 1, volume: 1 };
  private voice: Voice | null = null;

  /** How it stands, followed by a component. */
  readonly useStatus = (): ReaderStatus => this.state.use();

  private get status(): ReaderStatus {
    return this.state.get();
  }
  private become(status: ReaderStatus): void {
    this.state.set(status);
  }

  /** Reads sentences of a text from one on. */
  read(root: HTMLElement, sentences: readonly Sentence[], from = 0): void {
    this.stop();
    if (sentences.length === 0) return;
    this.root = root;
    this.sentences = sentences;
    this.at = Math.min(from, sentences.length - 1);
    this.become('starting');
    void this.go();
  }

  /** How it is spoken from the next sentence on; the one being spoken begins again. */
  setManner(manner: Manner): void {
    this.manner = manner;
    if (this.status === 'reading') this.goTo(this.at);
  }

  pause(): void {
    if (this.status !== 'reading') return;
    this.voice?.pause();
    this.become('paused');
  }
  resume(): void {
    if (this.status !== 'paused') return;
    this.voice?.resume();
    this.become('reading');
  }
  /** Nothing is to sound now: it rests where it is; what was only about to begin does not. */
  rest(): void {
    if (this.status === 'starting') this.stop();
    else this.pause();
  }
  /** A sentence back or on. */
  step(by: 1 | -1): void {
    if (this.status === 'idle') return;
    this.goTo(Math.max(0, Math.min(this.sentences.length - 1, this.at + by)));
  }
  stop(): void {
    this.turn += 1;
    this.silence();
    this.light(null, 0);
    if (this.status !== 'idle') this.become('idle');
  }

  private goTo(at: number): void {
    this.turn += 1;
    this.silence();
    this.at = at;
    this.become('starting');
    void this.go();
  }
  private silence(): void {
    this.voice?.stop();
    // A paused voice would keep the next sentence waiting.
    if (this.status === 'paused') this.voice?.resume();
  }

  private async go(): Promise<void> {
    const { turn } = this;
    const isOver = () => turn !== this.turn;
    try {
      const voice = await findVoice();
      if (isOver()) return;
      this.voice = voice;
      for (; this.at < this.sentences.length; this.at += 1) {
        const sentence = this.sentences[this.at];
        const next = this.sentences[this.at + 1];
        if (!sentence) break;
        this.light(sentence, 0);
        const speaking = voice.speak(sentence, this.manner, (word) => {
          if (isOver()) return;
          if (this.status === 'starting') this.become('reading');
          this.light(sentence, word);
        });
        if (next) voice.prepare(next, this.manner);
        await speaking;
        if (isOver()) return;
      }
      this.stop();
    } catch {
      if (isOver()) return;
      this.light(null, 0);
      this.become('failed');
    }
  }

  /** Lights up the sentence and the word being spoken, and keeps them on the screen. */
  private light(sentence: Sentence | null, word: number): void {
    if (typeof CSS === 'undefined' || !('highlights' in CSS)) return;
    const { root } = this;
    const spoken = sentence?.spoken[word];
    if (!root?.isConnected || !sentence || !spoken) {
      CSS.highlights.delete('able-sentence');
      CSS.highlights.delete('able-spoken');
      return;
    }
    CSS.highlights.set('able-sentence', new Highlight(...rangesFor(root, sentence.start, sentence.end)));
    const ranges = rangesFor(root, spoken.start, spoken.end);
    CSS.highlights.set('able-spoken', new Highlight(...ranges));
    ranges[0]?.startContainer.parentElement?.scrollIntoView({ block: 'nearest' });
  }
}

export const reader = new Reader();
onQuiet(() => reader.rest());
