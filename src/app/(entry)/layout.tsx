import { AntdRegistry } from '@ant-design/nextjs-registry';
import type { ReactNode } from 'react';

/** Pages made of Ant Design, with its styles in the page as it is sent. The question screen is not one of them. */
export default function EntryLayout({ children }: { children: ReactNode }) {
  return <AntdRegistry>{children}</AntdRegistry>;
}
