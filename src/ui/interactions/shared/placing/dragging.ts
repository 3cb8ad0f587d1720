import { PointerSensor, useSensor, useSensors, type Announcements } from '@dnd-kit/core';

/** The droppable of the list of pieces. */
export const LIST = 'able-list';

/** Our own moves are announced, so the library's words are switched off. */
const SILENT: Announcements = {
  onDragStart: () => undefined,
  onDragOver: () => undefined,
  onDragEnd: () => undefined,
  onDragCancel: () => undefined,
};
export const QUIET = { announcements: SILENT, screenReaderInstructions: { draggable: '' } };

/** A drag begins after six pixels, so that a press stays a press. Mouse, pen and finger alike. */
export const useDragSensors = () =>
  useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
