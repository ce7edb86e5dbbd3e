import { failure, type Result } from '#core/result.ts';
import type { OpenedPicture } from '#workers/judge/protocol.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';
import { wordsOf } from './files.ts';
import type { Opening } from './opening.ts';
import { withoutPassingNotice, type Access, type Tell } from './state.ts';

type OpenerParts = { readonly access: Access; readonly opening: Opening; readonly tell: Tell };

/** Opens by a call to the worker; what was found goes onto the bench, what went wrong is told and changes nothing. */
export const createOpener =
  ({ access: { set }, opening, tell }: OpenerParts) =>
  async (
    name: string,
    phase: string,
    call: (way: ReturnType<Opening['begin']>) => Promise<Outcome<Result<OpenedPicture>>>,
    found: (opened: OpenedPicture) => Parameters<Access['set']>[0],
  ): Promise<boolean> => {
    const way = opening.begin(name, phase);
    let outcome: Outcome<Result<OpenedPicture>>;
    try {
      outcome = await call(way);
    } catch (error) {
      outcome = { state: 'failed', reason: wordsOf(error) };
    }
    if (way.isOver()) return false;
    opening.end();
    if (outcome.state === 'cancelled') return false;
    const result =
      outcome.state === 'done'
        ? outcome.output
        : failure('file', `It could not be opened: ${outcome.reason}`);
    if (!result.ok) {
      tell(name, result);
      return false;
    }
    set(withoutPassingNotice);
    set(found(result.value));
    return true;
  };
