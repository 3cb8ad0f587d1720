'use client';

import { Paperclip, Trash2 } from 'lucide-react';
import { useRef, useState, type DragEvent } from 'react';
import { useFormatter, useTranslations } from 'use-intl';
import { bytesIn, fileText, MAX_FILE_BYTES, readFile } from '@/core/interactions/file';
import { isWhatItSays } from '@/core/interactions/upload/bytes';
import { takesType, type UploadModel } from '@/core/interactions/upload';
import { responseTexts } from '@/core/content/response';
import { Notice } from '../shared/Notice';
import { useNotice } from '../shared/useNotice';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import styles from './upload.module.css';
import { Button } from '../../kit/Button';
import { dataUrlOf } from '../../kit/dataUrl';

const readAsBase64 = async (file: File): Promise<string> => (await dataUrlOf(file)).split(',')[1] ?? '';

const KINDS = {
  'image/*': 'picture',
  'image/jpeg': 'photo',
  'image/png': 'png',
  'image/gif': 'gif',
  'image/svg+xml': 'svg',
  'audio/*': 'sound',
  'video/*': 'video',
  'text/*': 'text',
  'text/plain': 'text',
  'text/csv': 'table',
  'application/pdf': 'pdf',
} as const;

/** A media type as people call it; one nobody has a word for stays as it is written. */
function useKindWords(): (mediaType: string) => string {
  const t = useTranslations('interactions.upload.kinds');
  return (mediaType) =>
    Object.hasOwn(KINDS, mediaType) ? t(KINDS[mediaType as keyof typeof KINDS]) : mediaType;
}

/** A file handed in: chosen or dropped, shown by name, size and (for pictures) as it looks; limits are said before and after. */
export function UploadView({
  model,
  response,
  onAnswer,
  slots,
  announce,
  readOnly,
  position,
}: InteractionProps<UploadModel>) {
  const t = useTranslations('interactions.upload');
  const format = useFormatter();
  const kindWords = useKindWords();
  const inputRef = useRef<HTMLInputElement>(null);
  const { notice, refuse, clear } = useNotice({ response, announce });
  const [over, setOver] = useState(false);
  const [text] = responseTexts(response);
  const file = text === undefined ? null : readFile(text);
  const limit = MAX_FILE_BYTES / 1_000_000;

  const kinds = (types: readonly string[]) => format.list(types.map(kindWords), { type: 'disjunction' });
  const take = async (chosen: File | undefined) => {
    if (!chosen || readOnly) return;
    const mediaType = /^[\w.+-]+\/[\w.+-]+$/.test(chosen.type) ? chosen.type : 'application/octet-stream';
    if (!takesType(model, mediaType))
      return refuse(t('wrongType', { name: chosen.name, types: kinds(model.types) }));
    if (chosen.size > MAX_FILE_BYTES) return refuse(t('tooLarge', { name: chosen.name, limit }));
    if (chosen.size === 0) return refuse(t('emptyFile', { name: chosen.name }));
    try {
      const file = { name: chosen.name, mediaType, data: await readAsBase64(chosen) };
      if (!isWhatItSays(file)) return refuse(t('notInside', { name: chosen.name, kind: kinds([mediaType]) }));
      clear();
      onAnswer(fileText(file));
      announce(t('taken', { name: chosen.name }));
    } catch {
      refuse(t('unreadable', { name: chosen.name }));
    }
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void take(event.dataTransfer.files[0]);
  };
  return (
    <Task model={model} slots={slots}>
      <div
        className={styles.area}
        data-over={over || undefined}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={drop}
      >
        {text === undefined ? (
          <p className={styles.none}>{t('none')}</p>
        ) : (
          <p className={styles.file}>
            {file?.mediaType.startsWith('image/') && <img className={styles.preview} src={text} alt="" />}
            <span className={styles.name}>
              <b>{file?.name || t('file')}</b>
              {file && <span>{t('size', { size: Math.max(1, Math.round(bytesIn(file.data) / 1000)) })}</span>}
            </span>
            <Button
              onClick={() => {
                onAnswer(null);
                announce(t('removed'));
              }}
            >
              <Trash2 size="1.1em" aria-hidden="true" /> {t('remove')}
            </Button>
          </p>
        )}
        <input
          ref={inputRef}
          type="file"
          className="visually-hidden"
          tabIndex={-1}
          aria-label={t('label', position)}
          accept={model.types.length > 0 ? model.types.join(',') : undefined}
          disabled={readOnly}
          onChange={(event) => {
            void take(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
        <Button onClick={() => inputRef.current?.click()}>
          <Paperclip size="1.1em" aria-hidden="true" /> {t(text === undefined ? 'choose' : 'another')}
        </Button>
      </div>
      <p className={styles.limits}>
        {model.types.length > 0 ? t('limits', { limit, types: kinds(model.types) }) : t('limit', { limit })}
      </p>
      <Notice words={notice} />
    </Task>
  );
}
