'use client';

import { Component, type ReactNode } from 'react';

interface Props {
  readonly fallback: ReactNode;
  readonly children: ReactNode;
}

/**
 * What cannot be drawn is one thing on the page with a kind word in its place, never the page. Give it the key of what it holds:
 * another thing is tried anew.
 */
export class Boundary extends Component<Props, { readonly failed: boolean }> {
  override state = { failed: false };
  static getDerivedStateFromError(): { failed: boolean } {
    return { failed: true };
  }
  override render(): ReactNode {
    return this.state.failed ? this.props.fallback : this.props.children;
  }
}
