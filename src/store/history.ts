import type { BookStore } from './bookState.ts';
import { isBuiltIn } from './builtIn.ts';
import { checkedRecord, type Written } from './edits.ts';
import { withPatches } from './mirror.ts';
import { inversePatches, type RecordPatch } from './patches.ts';
import type { BookTable } from './tables.ts';
import { placesOf } from './words.ts';
import { notDone, touchesBook, type PendingWrite, type Writing } from './writing.ts';

/** Steps that can be undone. */
export const MOST_STEPS = 200;

/** A step of work, from when it shows. */
type Step = {
  label: string;
  /** What the last turn of it did to what is shown, and, once that is known, to the database. */
  shown: readonly RecordPatch[];
  made?: readonly RecordPatch[];
  /** Whether the database holds it. */
  holds: boolean;
  /** Turns of it that wait to be written. */
  asked: number;
  /** Undone, and an edit since has made an end of redo, or waits to. */
  aside?: boolean;
  /** Refused, or nothing of it can be turned any more. */
  dead?: boolean;
};

/** What this window did and can take back, and what it took back and can do again. */
export const createHistory = (store: BookStore, { write }: Writing) => {
  const done: Step[] = [];
  const undone: Step[] = [];

  const offer = () => store.setState({ undoable: done.at(-1)?.label, redoable: undone.at(-1)?.label });

  const without = (steps: Step[], step: Step) => {
    if (steps.includes(step)) steps.splice(steps.indexOf(step), 1);
  };
  /** A step stands where its last turn put it, unless that turn was refused. */
  const settle = (step: Step) => {
    step.asked -= 1;
    if (step.asked > 0) return;
    const [right, wrong] = step.holds ? [done, undone] : [undone, done];
    without(wrong, step);
    if (step.dead) without(right, step);
    else if (!right.includes(step) && !(step.aside && !step.holds)) right.push(step);
  };

  /** Why what would be shown cannot be; a write that does not show is checked when it is written. */
  const refusalOf = (label: string, patches: readonly RecordPatch[]): string | undefined => {
    const { records } = withPatches(store.getState(), patches, { guarded: false });
    try {
      for (const { table, id } of patches.filter(touchesBook)) {
        const record = records[table as BookTable].get(id);
        if (record && !isBuiltIn(table, id)) checkedRecord(table, record);
      }
      return undefined;
    } catch (error) {
      return notDone(label, 'saved', error);
    }
  };

  /** Shows and writes patches as a step. @returns what was written; undefined when nothing was. */
  const remember = async (
    label: string | ((made: readonly RecordPatch[]) => string),
    patches: readonly RecordPatch[],
  ): Promise<Written | undefined> => {
    const named = typeof label === 'string' ? label : label(patches);
    const problem = refusalOf(named, patches);
    if (problem) {
      store.setState({ problem });
      return undefined;
    }
    const pending = { patches, guarded: false };
    const { done: shown } = withPatches(store.getState(), patches, pending);
    const step: Step = { label: named, shown, holds: true, asked: 1 };
    // What changes nothing that is shown is no step, unless it turns out to be one.
    const isStep = shown.length > 0 || !patches.every(touchesBook);
    const aside = isStep ? undone.splice(0) : [];
    aside.forEach((one) => (one.aside = true));
    if (isStep) done.push(step);
    if (done.length > MOST_STEPS) done.shift();
    offer();
    const written = await write(pending, { label: named, verb: 'saved' });
    if (written && written.done.length > 0) {
      step.made = written.done;
      if (typeof label !== 'string') step.label = label(written.done);
      if (!isStep) undone.length = 0;
    } else {
      step.dead = true;
      aside.forEach((one) => (one.aside = false));
      undone.unshift(...aside.filter(({ holds, dead }) => !holds && !dead));
    }
    settle(step);
    offer();
    return written;
  };

  const tellKept = (label: string, verb: string, { done: made, kept }: Written) => {
    if (kept.length === 0) return;
    const places = placesOf(kept);
    store.setState({
      problem:
        made.length > 0
          ? `“${label}” is ${verb}, but for ${places}: it was changed since and stays.`
          : `“${label}” is not ${verb}: ${places} was changed since and stays.`,
    });
  };

  const turn = async (from: Step[], to: Step[], verb: 'undone' | 'redone'): Promise<string | undefined> => {
    const step = from.pop();
    if (!step) return undefined;
    step.asked += 1;
    const shown: PendingWrite = { patches: inversePatches(step.shown), guarded: true };
    step.shown = withPatches(store.getState(), shown.patches, shown).done;
    // Where somebody has changed all of it since, there is nothing to turn back again.
    if (step.shown.length > 0 || !shown.patches.every(touchesBook)) to.push(step);
    offer();
    const meant = (): PendingWrite | undefined =>
      step.made && !step.dead && step.holds === (verb === 'undone')
        ? { patches: inversePatches(step.made), guarded: true }
        : undefined;
    const written = await write(shown, { label: step.label, verb }, meant);
    if (written) {
      step.holds = verb === 'redone';
      step.made = written.done;
      if (written.done.length === 0) step.dead = true;
      tellKept(step.label, verb, written);
    }
    settle(step);
    offer();
    return written && written.done.length > 0 ? step.label : undefined;
  };

  return {
    remember,
    /** @returns what was taken back; undefined when nothing was. */
    undo: () => turn(done, undone, 'undone'),
    redo: () => turn(undone, done, 'redone'),
  };
};
