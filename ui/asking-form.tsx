'use client';

import { useEffect, useRef, useState, type ComponentProps } from 'react';

/** What can be typed or switched in a form; nothing secret, and nothing that is drawn. */
const FIELDS = [
  'input:not([type=hidden],[type=file],[type=password])',
  'textarea',
  'select',
  '[role=switch]',
  '[role=radio]',
].join();

interface KeptField {
  readonly label: string;
  readonly value: string;
}

interface AskingFormProps extends ComponentProps<'form'> {
  /** Tells it from the other forms of its page. */
  name: string;
}

/**
 * A form that asks before it is left changed (see UnsavedGuard), and whose fields come back where the page
 * went down with it: a
 * reload, a crash. They are kept in this window alone, until the form is sent or closed.
 */
export function AskingForm({ name, children, ...rest }: AskingFormProps) {
  const form = useRef<HTMLFormElement>(null);
  const [isBack, setBack] = useState(false);
  useEffect(() => {
    const element = form.current!;
    const key = `lattice/form${window.location.pathname}/${name}`;
    let keeping = 0;
    const kept = read(key);
    if (kept) {
      // What stands behind a switch is there only once it is on.
      setBack(restore(element, kept));
      setTimeout(() => restore(element, kept));
    }
    const keep = () => {
      clearTimeout(keeping);
      keeping = window.setTimeout(() => element.hasAttribute('data-changed') && write(key, element));
    };
    // What was sent is not typed again.
    const forget = () => window.sessionStorage.removeItem(key);
    const changes = ['input', 'change', 'click'] as const;
    for (const event of changes) element.addEventListener(event, keep);
    element.addEventListener('submit', forget);
    return () => {
      clearTimeout(keeping);
      for (const event of changes) element.removeEventListener(event, keep);
      element.removeEventListener('submit', forget);
      forget();
    };
  }, [name]);
  return (
    <form {...rest} ref={form} data-asks>
      {isBack && (
        <p role="status" className="rounded-ui bg-leaf-pale p-3 text-base">
          What you had typed here is back. It is not saved yet.
        </p>
      )}
      {children}
    </form>
  );
}

/** The fields of a form, told apart by their labels, and of one label by their order. */
function fieldsOf(form: HTMLFormElement): Map<string, HTMLElement> {
  const fields = new Map<string, HTMLElement>();
  for (const field of form.querySelectorAll<HTMLElement>(FIELDS)) {
    const group = field.closest('[role=radiogroup], [role=group]')?.getAttribute('aria-label') ?? '';
    const label =
      field.getAttribute('aria-label') ??
      (field as HTMLInputElement).labels?.[0]?.textContent ??
      field.textContent ??
      '';
    let key = `${group}/${label}`;
    while (fields.has(key)) key += '+';
    fields.set(key, field);
  }
  return fields;
}

const valueOf = (field: HTMLElement): string =>
  isTyped(field) ? field.value : (field.getAttribute('aria-checked') ?? '');

const isTyped = (field: HTMLElement): field is HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement =>
  field instanceof HTMLInputElement ||
  field instanceof HTMLTextAreaElement ||
  field instanceof HTMLSelectElement;

function write(key: string, form: HTMLFormElement): void {
  try {
    const fields: KeptField[] = [...fieldsOf(form)].map(([label, field]) => ({
      label,
      value: valueOf(field),
    }));
    window.sessionStorage.setItem(key, JSON.stringify(fields));
  } catch {
    // Kept nowhere: after a fault it begins again.
  }
}

function read(key: string): readonly KeptField[] | undefined {
  try {
    return JSON.parse(window.sessionStorage.getItem(key) ?? 'null') ?? undefined;
  } catch {
    return undefined;
  }
}

/** Types and switches what was kept, as a person would. @returns whether anything differed */
function restore(form: HTMLFormElement, kept: readonly KeptField[]): boolean {
  const fields = fieldsOf(form);
  let differed = false;
  for (const { label, value } of kept) {
    const field = fields.get(label);
    if (!field || valueOf(field) === value) continue;
    differed = true;
    if (!isTyped(field)) {
      // Of several to choose from, the one that was chosen is pressed.
      if (value === 'true' || field.getAttribute('role') === 'switch') field.click();
      continue;
    }
    // A field that the page draws anew takes a value only as if it were typed.
    Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')!.set!.call(field, value);
    field.dispatchEvent(
      new Event(field instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }),
    );
    field.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
  }
  return differed;
}
