import { Message } from '@/ui/entry/Message';

export default function NotFound() {
  return <Message kind="not-found" />;
}
