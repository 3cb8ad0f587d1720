'use client';

import type { ButtonHTMLAttributes, MouseEvent, Ref } from 'react';
import styles from './button.module.css';
import { isSecondOfTwo } from './secondOfTwo';

export interface PressProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly ref?: Ref<HTMLButtonElement>;
}

/**
 * A button with a look of its caller's own. Disabled it stays where it is and keeps the focus (`aria-disabled`): whoever pressed
 * the last "Undo" is not thrown to the top of the page. One that is switched on and off takes a double click as one press.
 */
export function Press({ disabled = false, onClick, onDoubleClick, ref, ...rest }: PressProps) {
  const press = (act: typeof onClick) =>
    act &&
    ((event: MouseEvent<HTMLButtonElement>) => {
      if (disabled) event.preventDefault();
      else if (rest['aria-pressed'] !== undefined && event.type === 'click' && isSecondOfTwo(event)) return;
      else act(event);
    });
  return (
    <button
      type="button"
      {...rest}
      ref={ref}
      aria-disabled={disabled || undefined}
      onClick={press(onClick)}
      onDoubleClick={press(onDoubleClick)}
    />
  );
}

export interface ButtonProps extends PressProps {
  /**
   * `plain`: one of several things to do; `quiet`: an icon beside something, without a border; `way`: leads on or back; `main`:
   * the one way on.
   */
  readonly look?: 'plain' | 'quiet' | 'way' | 'main';
  /** Smaller letters, where several stand in one line; as easy to press. */
  readonly small?: boolean;
}

/** The product's button, 44 px high in every look and size. */
export function Button({ look = 'plain', small = false, className, ...rest }: ButtonProps) {
  const classes = [styles.button, className].filter(Boolean).join(' ');
  return <Press {...rest} className={classes} data-look={look} data-small={small || undefined} />;
}
