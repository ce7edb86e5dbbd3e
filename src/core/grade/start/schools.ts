/** Where practitioners differ over a first correction, the schools side by side. A further one is a row. */
export const GRADE_SCHOOLS = {
  order: {
    name: 'First',
    options: {
      exposure: { name: 'exposure', says: 'Grey or the face is placed first, then black and white about it' },
      shadows: {
        name: 'shadows',
        says: 'Black and white are laid first, then the middle is moved between them',
      },
    },
  },
  anchor: {
    name: 'By',
    options: {
      card: { name: 'the card', says: 'The card goes to grey; faces lie where their light put them' },
      skin: {
        name: 'the face',
        says: 'The key side of the face goes to its own level; the card is a witness',
      },
    },
  },
  contrast: {
    name: 'Contrast',
    options: {
      natural: { name: 'natural', says: 'The conversion’s own contrast' },
      contrasty: { name: 'firm', says: '1.2 at grey, with soft ends' },
    },
  },
  highlights: {
    name: 'Highlights to',
    options: {
      ninety: { name: '90 %', says: 'Room is left for what glints; usual inside' },
      hundred: { name: '100 %', says: 'The brightest uses all there is; usual outside' },
    },
  },
  colour: {
    name: 'Colour',
    options: {
      matrix: { name: 'as recorded', says: 'The conversion’s matrix and contrast give it back' },
      practice: {
        name: 'flat × 1.5',
        says: 'Half as much again where a flat profile records in the picture’s own primaries: common practice',
      },
    },
  },
} as const satisfies {
  readonly [id: string]: {
    readonly name: string;
    readonly options: { readonly [id: string]: { readonly name: string; readonly says: string } };
  };
};

export type GradeSchoolId = keyof typeof GRADE_SCHOOLS;
export type GradeSchools = { readonly [S in GradeSchoolId]: keyof (typeof GRADE_SCHOOLS)[S]['options'] };

export const PLAIN_SCHOOLS: GradeSchools = {
  order: 'exposure',
  anchor: 'card',
  contrast: 'natural',
  highlights: 'ninety',
  colour: 'matrix',
};
