'use client';

import equal from 'fast-deep-equal';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useReducer,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import {
  differencesOf,
  mergeEdits,
  parseConsult,
  parseMix,
  parseOutcome,
  parsePlan,
  type Difference,
} from '@/core/formats';
import { makeHead } from '@/core/head';
import { withPanelOf, type ComputedPlan, type Plan } from '@/core/pattern';
import { withProducts, type Consult, type Outcome, type VisitMix } from '@/core/visit';
import { setReached } from '@/ui/away';
import { forgetVisits, keepVisit, newestOf } from '../offline/kept-visits';
import { discardDraft } from './actions';
import type { Backup } from './backup';
import { visitEngine } from './engine';
import { advance, historyOf, rebased, redo, replaced, undo, type History } from './history';
import { keepHistory, keptHistory, type Selected } from './kept-history';
import { PartSaver, type SaveState } from './saver';
import { VISIT_PARTS, type Revised, type VisitBundle, type VisitPart, type VisitWork } from './types';

/** One's own refused edit beside the saved version. */
export interface OpenDraft {
  readonly part: VisitPart;
  /** Of the edit that was refused. */
  readonly editId: string;
  readonly document: unknown;
  readonly differences: readonly Difference[];
}

interface VisitContext {
  readonly bundle: VisitBundle;
  readonly consult: Consult;
  readonly plan: Plan;
  readonly mix: VisitMix;
  readonly computed: ComputedPlan;
  readonly outcome: Revised<Outcome> | null;
  readonly undoLabel: string | undefined;
  readonly redoLabel: string | undefined;
  readonly save: { readonly state: SaveState; readonly problem?: string };
  readonly drafts: readonly OpenDraft[];
  readonly selected: { readonly panel: string; readonly foil?: string };
  editConsult(
    label: string | ((before: Consult, after: Consult) => string),
    change: (consult: Consult) => Consult,
    gesture?: string,
  ): void;
  editPlan(
    label: string | ((before: Plan, after: Plan) => string),
    change: (plan: Plan) => Plan,
    gesture?: string,
  ): void;
  editMix(
    label: string | ((before: VisitMix, after: VisitMix) => string),
    change: (mix: VisitMix) => VisitMix,
    gesture?: string,
  ): void;
  /** Several documents in one step. */
  editVisit(label: string, change: (work: VisitWork) => VisitWork): void;
  saveOutcome(outcome: Outcome): void;
  /** Sends what waits to be saved; settles once it is, or cannot be. */
  flush(): Promise<void>;
  /**
   * Reads anew what stands beside the documents: tests, consents, reasons, and whether the service has begun.
   */
  reload(): Promise<void>;
  /** What is heard of others' work on this visit. */
  readonly heard: { saved(part: VisitPart, revision: number): void; facts(): void; missed(): void };
  undo(): void;
  redo(): void;
  select(panel: string, foil?: string): void;
  light(foil: string | undefined): void;
  takeDraft(draft: OpenDraft): void;
  /** Takes over one panel of a refused plan, by its id: changed, added or removed as it was in the draft. */
  takeDraftPanel(draft: OpenDraft, panel: string): void;
  dropDraft(draft: OpenDraft): void;
}

/** What can be done with a visit: the same functions for as long as it is open. */
type VisitActions = Pick<
  VisitContext,
  | 'editConsult'
  | 'editPlan'
  | 'editMix'
  | 'editVisit'
  | 'saveOutcome'
  | 'flush'
  | 'reload'
  | 'heard'
  | 'undo'
  | 'redo'
  | 'select'
  | 'light'
  | 'takeDraft'
  | 'takeDraftPanel'
  | 'dropDraft'
>;

const Context = createContext<VisitContext | null>(null);
const LitContext = createContext<string | undefined>(undefined);

/**
 * Foil under the pointer or the focus, lit on the head and in the ribbon alike. Apart, since it changes with
 * every move of the pointer.
 */
export const useLit = (): string | undefined => useContext(LitContext);

/** The visit that is open. */
export function useVisit(): VisitContext {
  const visit = useContext(Context);
  if (!visit) throw new Error('useVisit needs a VisitProvider above it.');
  return visit;
}

type Action =
  | {
      kind: 'edit';
      change(work: VisitWork): VisitWork;
      label(before: VisitWork, after: VisitWork): string;
      gesture: string;
      at: number;
    }
  | { kind: 'undo' }
  | { kind: 'redo' }
  | { kind: 'replace'; work: VisitWork }
  | { kind: 'rebase'; changes: readonly Saved[] };

/**
 * What became of one document in the hands of others: from the version that was known here to the one that is
 * saved.
 */
interface Saved {
  readonly part: WorkPart;
  readonly from: unknown;
  readonly to: unknown;
}

function reduce(history: History<VisitWork>, action: Action): History<VisitWork> {
  if (action.kind === 'undo') return undo(history);
  if (action.kind === 'redo') return redo(history);
  if (action.kind === 'replace') return replaced(action.work);
  if (action.kind === 'rebase')
    return rebased(history, (work, at) =>
      joined(withSaved(work, action.changes, at === 'now' ? 'mine' : 'theirs')),
    );
  const next = joined(action.change(history.present));
  // Measures that belong to no head cannot be drawn: such an edit is not taken.
  return next.plan.head === history.present.plan.head || isHead(next.plan)
    ? advance(history, next, action)
    : history;
}

/**
 * Somebody else's changes in a version of the visit. Where both changed the same thing: what is under the
 * hand stands, steps back and forth follow theirs.
 */
function withSaved(work: VisitWork, changes: readonly Saved[], prefer: 'mine' | 'theirs'): VisitWork {
  return changes.reduce((visitWork, { part, from, to }) => {
    const document = mergeEdits<unknown>(from, visitWork[part], to, prefer).document;
    // The very object, so that it is known as saved.
    return { ...visitWork, [part]: same(document, to) ? to : document };
  }, work);
}

function isHead({ head }: Plan): boolean {
  try {
    makeHead(head);
    return true;
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  }
}

/** Head and hair belong to the visit: the plan takes them from the consultation. */
function joined(work: VisitWork): VisitWork {
  const { head, hair } = work.consult;
  // Compared by content: two reads of the same figures are no edit.
  if (same(work.plan.head, head) && same(work.plan.hair, hair)) return work;
  return { ...work, plan: { ...work.plan, head, hair } };
}

const same = (a: unknown, b: unknown) => a === b || differencesOf(a, b).length === 0;
const workOf = (bundle: VisitBundle): VisitWork =>
  joined({ consult: bundle.consult.document, plan: bundle.plan.document, mix: bundle.mix.document });
/**
 * When the hand moved, ms: a slow page hears of it later, and one gesture must not become several for that.
 */
const handAt = () => window.event?.timeStamp ?? performance.now();
const WORK_PARTS = ['consult', 'plan', 'mix'] as const;
type WorkPart = (typeof WORK_PARTS)[number];
/** What stands beside the documents. */
const FACTS = [
  'client',
  'range',
  'uses',
  'previous',
  'foiled',
  'begunAt',
  'used',
  'safety',
  'answers',
  'history',
  'signOff',
] as const satisfies readonly (keyof VisitBundle)[];

/**
 * A visit with the facts of a later reading; the very same where none of them changed, so that nothing is
 * computed anew.
 */
function withFacts(before: VisitBundle, fresh: VisitBundle): VisitBundle {
  if (FACTS.every((key) => equal(before[key], fresh[key]))) return before;
  return { ...before, readAt: fresh.readAt, ...Object.fromEntries(FACTS.map((key) => [key, fresh[key]])) };
}

const READ = { consult: parseConsult, plan: parsePlan, mix: parseMix } as const;

/** What is shown of an edit that was left over: with what others saved since, where its base is known. */
function leftIn(
  part: WorkPart,
  { baseRevision, base, document }: Backup,
  saver: PartSaver,
): Partial<VisitWork> {
  const isNewest = baseRevision === saver.baseRevision;
  if (!isNewest && base === undefined) return {};
  const read = READ[part](isNewest ? document : mergeEdits(base, document, saver.base, 'mine').document);
  return read.ok ? { [part]: read.value } : {};
}

/** Before a visit is recorded: the first record is based on revision 0. */
const NO_OUTCOME: Revised<unknown> = { revision: 0, document: undefined };
/** A moment after what was saved, so that a row of edits is kept once. */
const KEEP_MS = 400;
const savedOf = <T,>(saver: PartSaver): Revised<T> => ({
  revision: saver.baseRevision,
  document: saver.base as T,
});
const WORST_FIRST: readonly SaveState[] = ['refused', 'offline', 'saving', 'waiting', 'saved'];

interface VisitProviderProps {
  /** The visit as the page brought it. */
  readonly initial: VisitBundle;
  /** What stands there until it is open. */
  readonly meanwhile: ReactNode;
  readonly children: ReactNode;
}

/** Holds a visit: its documents with undo, saving by itself, and what is selected. */
export function VisitProvider({ initial, meanwhile, children }: VisitProviderProps) {
  const [newest, setNewest] = useState<VisitBundle>();
  const [page] = useState(initial);
  useEffect(() => {
    let gone = false;
    void newestOf(page).then((visit) => !gone && setNewest(visit));
    return () => {
      gone = true;
    };
  }, [page]);
  return newest ? <OpenVisit initial={newest}>{children}</OpenVisit> : meanwhile;
}

function OpenVisit({ initial, children }: { initial: VisitBundle; children: ReactNode }) {
  const [bundle, setBundle] = useState(initial);
  // Steps back and what was selected survive a reload.
  const [kept] = useState(() => keptHistory(initial.id, workOf(initial)));
  const [history, dispatch] = useReducer(
    reduce,
    initial,
    (first) => kept?.history ?? historyOf(workOf(first)),
  );
  const [outcome, setOutcome] = useState(initial.outcome);
  const [states, setStates] = useState<Partial<Record<VisitPart, { state: SaveState; problem?: string }>>>(
    {},
  );
  const [refusedHere, setRefusedHere] = useState<
    readonly { part: VisitPart; editId: string; document: unknown }[]
  >(initial.drafts);
  const [selected, select] = useState<Selected>(
    kept?.selected ?? { panel: initial.plan.document.panels[0]?.id ?? '' },
  );
  const [lit, light] = useState<string>();

  const { consult, plan, mix } = history.present;
  const computed = useMemo(() => visitEngine.pattern(plan), [plan]);

  // What the server holds, so that only true changes are sent.
  const sent = useRef<Record<WorkPart, unknown>>({
    consult,
    plan: initial.plan.document,
    mix: initial.mix.document,
  });
  const outcomeSent = useRef<Outcome | null>(null);
  const savers = useRef<Record<VisitPart, PartSaver> | null>(null);
  const range = useRef(initial.range);
  const present = useRef(history.present);
  // A record that is signed off changes no more: nothing is edited here that the server would refuse.
  const signed = useRef(initial.signOff.signed !== null);
  const open = useRef({ history, selected });
  useEffect(() => {
    const keep = () => keepHistory(initial.id, open.current);
    window.addEventListener('pagehide', keep);
    return () => window.removeEventListener('pagehide', keep);
  }, [initial.id]);
  useEffect(() => {
    present.current = history.present;
    open.current = { history, selected };
    signed.current = bundle.signOff.signed !== null;
    range.current = bundle.range;
  });

  /** Takes over what is saved of parts that nothing waits of here. */
  const adopt = useCallback((fresh: Partial<Record<VisitPart, Revised<unknown> | null>>) => {
    const own = savers.current;
    if (!own) return;
    const changes: Saved[] = [];
    for (const part of WORK_PARTS) {
      const saved = fresh[part];
      if (!saved) continue;
      changes.push({ part, from: own[part].base, to: saved.document });
      own[part].rebase(saved);
      sent.current[part] = saved.document;
    }
    if (changes.length > 0) dispatch({ kind: 'rebase', changes });
    if (fresh.outcome !== undefined) {
      own.outcome.rebase(fresh.outcome ?? NO_OUTCOME);
      setOutcome(fresh.outcome as Revised<Outcome> | null);
    }
  }, []);

  const ask = useCallback(
    async <T,>(path: string): Promise<T | undefined> => {
      try {
        const response = await fetch(`/api/visits/${initial.id}${path}`, { cache: 'no-store' });
        const answer = response.ok ? ((await response.json()) as T) : undefined;
        setReached(response.status < 500);
        return answer;
      } catch {
        setReached(false);
        return undefined;
      }
    },
    [initial.id],
  );
  const fetchVisit = useCallback(() => ask<VisitBundle>(''), [ask]);

  /** Takes over what colleagues saved, unless something of ours still waits to be saved. */
  const refresh = useCallback(async () => {
    const fresh = await fetchVisit();
    const own = savers.current;
    if (!fresh || !own) return;
    const newer = VISIT_PARTS.filter(
      (part) => !own[part].dirty && (fresh[part]?.revision ?? 0) > own[part].baseRevision,
    );
    if (newer.length > 0) adopt(Object.fromEntries(newer.map((part) => [part, fresh[part]])));
    setBundle((before) => withFacts(before, fresh));
  }, [adopt, fetchVisit]);

  // Newest revisions that were heard of: what somebody else saved is fetched as soon as nothing of ours is
  // under way.
  const newest = useRef<Partial<Record<VisitPart, number>>>({});
  const catchUp = useCallback(() => {
    const isNewer = (part: VisitPart, revision: number) =>
      savers.current !== null && !savers.current[part].dirty && revision > savers.current[part].baseRevision;
    for (const part of VISIT_PARTS.filter((visitPart) =>
      isNewer(visitPart, newest.current[visitPart] ?? 0),
    )) {
      void ask<Revised<unknown>>(`/${part}`).then(
        (saved) => saved && isNewer(part, saved.revision) && adopt({ [part]: saved }),
      );
    }
  }, [ask, adopt]);

  useEffect(() => {
    const make = (part: VisitPart, saved: Revised<unknown>) =>
      new PartSaver(initial.id, part, saved, {
        onState: (state, problem) => {
          setStates((all) => ({ ...all, [part]: { state, problem } }));
          if (part === 'outcome' && state === 'saved' && outcomeSent.current) {
            setOutcome({ revision: own.outcome.baseRevision, document: outcomeSent.current });
          }
          if (state === 'saved') catchUp();
        },
        onRefused: ({ document, editId }) => {
          setStates((all) => ({ ...all, [part]: { state: 'saved' } }));
          setRefusedHere((all) => [...all, { part, editId, document }]);
          void fetchVisit().then((fresh) => fresh && takeBack(fresh, part, document));
        },
        onMerged: (from, to, draft) => {
          if (draft) setRefusedHere((all) => [...all, { part, ...draft }]);
          if (part === 'outcome')
            return setOutcome({ revision: own.outcome.baseRevision, document: to as Outcome });
          sent.current[part] = to;
          dispatch({ kind: 'rebase', changes: [{ part, from, to }] });
        },
      });
    /** Shows the saved version in place of an edit that was refused. */
    const takeBack = (fresh: VisitBundle, part: VisitPart, refused: unknown) => {
      if (part !== 'outcome') own[part].rebase({ revision: own[part].baseRevision, document: refused });
      adopt({ [part]: fresh[part] });
      setBundle((before) => withFacts(before, fresh));
    };
    const own: Record<VisitPart, PartSaver> = {
      consult: make('consult', initial.consult),
      plan: make('plan', initial.plan),
      mix: make('mix', initial.mix),
      outcome: make('outcome', initial.outcome ?? NO_OUTCOME),
    };
    savers.current = own;
    // All of them in one step: each alone would take the others back to what the server has.
    const left: Partial<VisitWork> = {};
    for (const saver of Object.values(own)) {
      const edit = saver.leftOver();
      if (!edit) continue;
      if (saver.part !== 'outcome') Object.assign(left, leftIn(saver.part, edit, saver));
      saver.resume(edit);
    }
    Object.assign(sent.current, left);
    if (Object.keys(left).length > 0)
      dispatch({ kind: 'replace', work: joined({ ...present.current, ...left }) });
    void refresh();

    const onVisible = () => document.visibilityState === 'visible' && void refresh();
    const onHide = () => Object.values(own).forEach((saver) => saver.flush());
    const onOnline = () => Object.values(own).forEach((saver) => saver.retryNow());
    document.addEventListener('visibilitychange', onVisible);
    window.addEventListener('pagehide', onHide);
    window.addEventListener('online', onOnline);
    return () => {
      document.removeEventListener('visibilitychange', onVisible);
      window.removeEventListener('pagehide', onHide);
      window.removeEventListener('online', onOnline);
      Object.values(own).forEach((saver) => {
        saver.flush();
        saver.stop();
      });
    };
    // One set of savers for the life of the visit's page; later revisions come through rebase.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [initial.id]);

  // Before it is painted: what is seen on the screen is kept already, whatever becomes of the page.
  useLayoutEffect(() => {
    for (const part of WORK_PARTS) {
      const document = history.present[part];
      if (document === sent.current[part] || signed.current) continue;
      sent.current[part] = document;
      savers.current?.[part].put(document);
    }
  }, [history.present]);

  // What is saved is kept on this device, too, so that it opens without a network.
  useEffect(() => {
    const timer = setTimeout(() => {
      const own = savers.current;
      if (own)
        void keepVisit({
          ...bundle,
          consult: savedOf(own.consult),
          plan: savedOf(own.plan),
          mix: savedOf(own.mix),
          outcome: own.outcome.baseRevision > 0 ? savedOf(own.outcome) : null,
        });
    }, KEEP_MS);
    return () => clearTimeout(timer);
  }, [bundle, states]);
  useEffect(() => void forgetVisits(false), []);

  const actions = useMemo<VisitActions>(() => {
    const reload = async () => {
      const fresh = await fetchVisit();
      if (fresh) setBundle((before) => withFacts(before, fresh));
    };
    const edit = (
      label: (before: VisitWork, after: VisitWork) => string,
      change: (work: VisitWork) => VisitWork,
      gesture: string,
    ) => !signed.current && dispatch({ kind: 'edit', change, label, gesture, at: handAt() });
    const dropDraft = (draft: OpenDraft) => {
      setRefusedHere((all) => all.filter(({ editId }) => editId !== draft.editId));
      void discardDraft(initial.id, draft.part, draft.editId);
    };
    return {
      editConsult: (label, change, gesture = typeof label === 'string' ? label : crypto.randomUUID()) =>
        edit(
          (before, after) => (typeof label === 'string' ? label : label(before.consult, after.consult)),
          (work) => ({ ...work, consult: change(work.consult) }),
          gesture,
        ),
      editPlan: (label, change, gesture = crypto.randomUUID()) =>
        edit(
          (before, after) => (typeof label === 'string' ? label : label(before.plan, after.plan)),
          (work) => ({ ...work, plan: change(work.plan) }),
          gesture,
        ),
      editMix: (label, change, gesture = typeof label === 'string' ? label : crypto.randomUUID()) =>
        edit(
          (before, after) => (typeof label === 'string' ? label : label(before.mix, after.mix)),
          // What the mix uses is kept in it as it is now.
          (work) => ({ ...work, mix: withProducts(change(work.mix), range.current) }),
          gesture,
        ),
      editVisit: (label, change) =>
        edit(
          () => label,
          (work) => {
            const next = change(work);
            return { ...next, mix: withProducts(next.mix, range.current) };
          },
          crypto.randomUUID(),
        ),
      saveOutcome: (document) => {
        outcomeSent.current = document;
        savers.current?.outcome.put(document);
        savers.current?.outcome.flush();
      },
      reload,
      heard: {
        saved: (part, revision) => {
          newest.current[part] = Math.max(newest.current[part] ?? 0, revision);
          catchUp();
        },
        facts: () => void reload(),
        missed: () => void refresh(),
      },
      flush: async () => {
        await Promise.all(Object.values(savers.current ?? {}).map((saver) => saver.settled()));
      },
      undo: () => dispatch({ kind: 'undo' }),
      redo: () => dispatch({ kind: 'redo' }),
      select: (panel, foil) => select({ panel, foil }),
      light,
      takeDraft: (draft) => {
        const { part } = draft;
        if (part !== 'outcome') {
          const read = READ[part](draft.document);
          if (!read.ok) return;
          edit(
            () => 'taking over your draft',
            (work) => ({ ...work, [part]: read.value }),
            crypto.randomUUID(),
          );
        } else {
          const read = parseOutcome(draft.document);
          if (!read.ok) return;
          outcomeSent.current = read.value;
          savers.current?.outcome.put(read.value);
        }
        dropDraft(draft);
      },
      takeDraftPanel: (draft, panel) => {
        const read = parsePlan(draft.document);
        if (!read.ok) return;
        const name = (plan: Plan) =>
          [...read.value.panels, ...plan.panels].find(({ id }) => id === panel)?.name ?? panel;
        edit(
          (before) => `${name(before.plan)} from your draft`,
          (work) => ({ ...work, plan: withPanelOf(work.plan, read.value, panel) }),
          crypto.randomUUID(),
        );
      },
      dropDraft,
    };
  }, [initial.id, fetchVisit, refresh, catchUp]);

  const drafts = useMemo(() => {
    const saved: Record<VisitPart, unknown> = { consult, plan, mix, outcome: outcome?.document ?? {} };
    return refusedHere
      .map((draft) => ({ ...draft, differences: differencesOf(draft.document, saved[draft.part]) }))
      .filter((draft) => draft.differences.length > 0);
  }, [refusedHere, consult, plan, mix, outcome]);
  const save = useMemo(
    () =>
      Object.values(states).sort((a, b) => WORST_FIRST.indexOf(a.state) - WORST_FIRST.indexOf(b.state))[0] ??
      ({ state: 'saved' } as const),
    [states],
  );
  const undoLabel = history.past.at(-1)?.label;
  const redoLabel = history.future[0]?.label;
  const value = useMemo<VisitContext>(
    () => ({
      ...actions,
      bundle,
      consult,
      plan,
      mix,
      computed,
      outcome,
      undoLabel,
      redoLabel,
      save,
      drafts,
      selected,
    }),
    [actions, bundle, consult, plan, mix, computed, outcome, undoLabel, redoLabel, save, drafts, selected],
  );

  return (
    <Context value={value}>
      <LitContext value={lit}>{children}</LitContext>
    </Context>
  );
}
