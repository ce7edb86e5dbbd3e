/** Ids of the demo's own records up to version 5, by table; never changed. */
export const DEMO_OF_V5 = {
  shoots: ['salt-and-fire'],
  cameras: ['a-cam', 'b-cam', 'small-cam', 'air-cam', 'hall-1', 'hall-2'],
  ndSets: ['nd-squares', 'nd-turning', 'nd-strong', 'nd-air'],
  lights: ['north-window', 'gather', 'shop-tubes', 'panel', 'hall-spots', 'lanterns', 'noon-sun', 'low-sun'],
  gels: ['full-warm', 'half-warm', 'full-cool', 'minus-green'],
  monitors: ['cart', 'on-camera', 'hdr-room'],
  luts: ['wide-pull-1', 'lantern-guard'],
} as const;
