/** Labels and headings of the questions for a new camera. */
export const words = {
  newCamera: 'New camera',
  whereItWorks: 'Where it works',
  inANewShoot: 'In a new shoot',
  nameOfTheShoot: 'Name of the shoot',
  whatItComesTo: 'What it comes to',
  addCameraAndShow: 'Add camera and show its card',
  whatYouDoNot: 'what you do not know can be found out later',
  solvedFromPrintedNumbers: 'Solved from printed numbers.',
} as const;
