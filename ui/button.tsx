'use client';

import clsx from 'clsx';
import type { ComponentProps } from 'react';
import { useAway } from './away';
import { buttonLook, type ButtonLook } from './button-look';

interface ButtonProps extends ComponentProps<'button'> {
  look?: ButtonLook;
  small?: boolean;
  /** What it does needs the server: without a network it is off, and says so beside it. */
  server?: boolean;
}

export function Button({
  look = 'plain',
  small = false,
  server = false,
  className,
  type = 'button',
  ...rest
}: ButtonProps) {
  const off = useAway() && server;
  const button = (
    <button
      type={type}
      className={clsx(buttonLook(look, small), className)}
      {...rest}
      {...(off && { disabled: true })}
    />
  );
  return off ? (
    <>
      {button}
      <span role="note" className="text-sm text-amber-bark">
        Needs the network
      </span>
    </>
  ) : (
    button
  );
}
