'use client';

import type { DeskUser } from '@/core/wire/desk';
import { Questions, type AnswersProps } from '../../entry/Answers';
import { DeskPage } from '../DeskPage';

interface Props extends Omit<AnswersProps, 'name' | 'needs'> {
  readonly user: DeskUser;
  readonly student: string;
  readonly testId: number;
}

/** A student's answers as they were handed in, with the right ones. */
export function StudentAnswers({ user, student, testId, ...answers }: Props) {
  return (
    <DeskPage user={user} place="results">
      <Questions
        {...answers}
        magnification={user.needs.magnification}
        back={`/desk/results/${testId}`}
        student={student}
      />
    </DeskPage>
  );
}
