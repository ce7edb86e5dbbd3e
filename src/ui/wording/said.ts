/** What is put into a label: a name, or a number as it is printed. */
export type Said = string | number;
