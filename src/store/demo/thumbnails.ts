/** Takes of the demo are told by their ids; a user's own have generated ones. */
const DEMO_TAKE = /^demo-[a-z0-9-]+$/;

/** Where the picture of a take of the demo lies; its takes come with the app, their pictures as files beside it. */
export const demoThumbnail = (takeId: string): string | undefined =>
  DEMO_TAKE.test(takeId) ? `/demo/takes/${takeId}.png` : undefined;
