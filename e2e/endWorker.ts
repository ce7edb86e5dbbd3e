import type { Page } from '@playwright/test';
import { close, expect, notice } from './fixtures.ts';

/** Lets the browser end a worker as soon as it is asked for a job of this name. */
export const endAt = (page: Page, job: string) =>
  page.evaluate((name) => Object.assign(globalThis, { endAt: name }), job);

/**
 * Runs in the page: a worker is ended as soon as it is asked for the job that `endAt` names. One that is handed
 * a device's pictures is ended once it has them: a stream that is lost on its way leaves this Chromium's capture
 * without pictures until the whole browser starts anew (seen in 5 of 34 tries on a busy machine; in 0 of 55
 * when the worker had it).
 */
export const endsWhenAsked = () => {
  const post = Worker.prototype.postMessage;
  Worker.prototype.postMessage = function endsAt(this: Worker, ...args: unknown[]) {
    (post as (...a: unknown[]) => void).apply(this, args);
    const state = globalThis as { endAt?: string };
    const [message, transfer] = args as [{ kind?: string; job?: string; id?: number }, unknown[]?];
    if (message?.kind !== 'call' || message.job !== state.endAt) return;
    state.endAt = undefined;
    if (!transfer?.some((item) => item instanceof ReadableStream)) {
      this.terminate();
      return;
    }
    this.addEventListener('message', ({ data }: MessageEvent<{ kind: string; id?: number }>) => {
      if (data.kind === 'progress' && data.id === message.id) this.terminate();
    });
  } as typeof post;
};

/** The notice of an ended worker was shown; it is closed, and nothing is busy any more. */
export const told = async (page: Page) => {
  await expect(notice(page)).toContainText('was ended by the browser. Another one takes its place');
  await close(page);
  await expect(page.locator('.busy')).toHaveCount(0);
};
