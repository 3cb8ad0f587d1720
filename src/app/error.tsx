'use client';

import { Message } from '@/ui/entry/Message';

export default function ErrorPage({ reset }: { reset: () => void }) {
  return <Message kind="error" onAgain={reset} />;
}
