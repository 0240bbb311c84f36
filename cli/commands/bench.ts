export const run = async (): Promise<number> => 1;
