import * as z from 'zod/mini';
import { CONFUSION_IDS, isFocusable, type ConfusionId, type Imager } from '#core/lens/depth.ts';
import { DEPTH_WISH_IDS, type DepthWishId, type LensUse } from '#core/lens/depthWishes.ts';
import { between, positive, positiveTo, whole } from './common.ts';

// Parts of a camera and of a plan that Plan's part of the lens alone reads, and checks as it does.

export const imagerSchema = z.object({
  /** Of the recorded picture, millimetres. */
  width: between(1, 80),
  /** Across it. */
  photosites: whole(320, 20_000),
});

const lensUseSchema = z
  .object({
    focal: between(1, 2000),
    distance: between(0.05, 5000),
    wish: z.enum(DEPTH_WISH_IDS as [DepthWishId, ...DepthWishId[]]),
    confusion: z.enum(CONFUSION_IDS as [ConfusionId, ...ConfusionId[]]),
    behind: z.optional(positiveTo(100_000)),
    near: z.optional(positive),
    far: z.optional(positive),
    soft: z.optional(between(0.001, 1)),
    speed: z.optional(between(0, 400)),
  })
  .check(z.refine(isFocusable, 'a focus beyond twice the focal length'));

/** What was said of a camera's imager so far. */
export const imagerSaid = ({ imager }: { readonly imager?: unknown }): Partial<Imager> =>
  z.partial(imagerSchema).safeParse(imager).data ?? {};

/** A camera's imager, where all of it was said and can be read. */
export const imagerOf = ({ imager }: { readonly imager?: unknown }): Imager | undefined =>
  imagerSchema.safeParse(imager).data;

/** How the lens is used, where it was said and can be read. */
export const lensUseOf = ({ lens }: { readonly lens?: unknown }): LensUse | undefined =>
  lensUseSchema.safeParse(lens).data;
