/** Labels and headings of restoring. */
export const words = {
  what: 'What',
  new: 'New',
  differ: 'Differ',
  onlyHere: 'Only here',
  restoreOrAddA: 'Restore, or add a shoot',
  fileToRestore: 'File to restore',
  chooseAFile: 'Choose a file',
  leaveIt: 'Leave it',
  addWhatIsNew: 'Add what is new',
  addWithTheFiles: 'Add, with the file’s where they differ',
  replaceEverythingHere: 'Replace everything here',
  nothingIsWrittenBefore: 'nothing is written before you say how',
} as const;
