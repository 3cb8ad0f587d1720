import { strToU8, Zip, ZipDeflate } from 'fflate';

/** A file of an archive that is written as it is read. */
export interface ZipEntry {
  readonly name: string;
  readonly text: string;
}

const nextTurn = () => new Promise((resolve) => setImmediate(resolve));

/** A zip that is written as it is read, one file at a time, so that whoever is answering meanwhile does not wait. */
export function zipStream(entries: Iterable<ZipEntry>): ReadableStream<Uint8Array> {
  let gone = false;
  return new ReadableStream<Uint8Array>({
    async start(controller) {
      const zip = new Zip((error, piece, last) => {
        if (gone) return;
        if (error) controller.error(error);
        else {
          controller.enqueue(piece);
          if (last) controller.close();
        }
      });
      try {
        for (const { name, text } of entries) {
          if (gone) return;
          const file = new ZipDeflate(name);
          zip.add(file);
          file.push(strToU8(text), true);
          await nextTurn();
        }
        zip.end();
      } catch (error) {
        controller.error(error);
      }
    },
    cancel() {
      gone = true;
    },
  });
}
