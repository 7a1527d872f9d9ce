/** What a dry run tells the page around it: how long a step took, without its wait, or what was taken of it. */
export type DryRun = { step: string; seconds: number } | { step: string; picture: Blob };
