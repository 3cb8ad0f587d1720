'use client';

import { useTranslations } from 'use-intl';
import { isOnPlane, readTypedPoint, type CoordinatePlaneModel } from '@/core/interactions/coordinate-plane';
import { useNumbers } from '../../content/useNumbers';
import type { Announce } from '../../kit/speech';
import { TypeField } from '../shared/TypeField';
import type { Plane } from './usePlane';

/** The next point of a figure, typed instead of pressed. */
export function TypePoint({
  plane,
  model,
  announce,
}: {
  plane: Plane;
  model: CoordinatePlaneModel;
  announce: Announce;
}) {
  const t = useTranslations('interactions.plane');
  const numbers = useNumbers();
  return (
    <TypeField
      label={t('typeLabel')}
      action={t('typeAdd')}
      example={t('typeExample')}
      size={8}
      read={(text) => {
        const value = readTypedPoint(numbers.readPoint(text));
        if (!value) return { problem: t('notAPoint') };
        return isOnPlane(model, value) ? { value } : { problem: t('offPlane') };
      }}
      onValue={plane.set}
      announce={announce}
    />
  );
}
