export const sum = (numbers: readonly number[]): number => numbers.reduce((all, each) => all + each, 0);
