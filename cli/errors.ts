/** A fault the person at the command line can mend; its message is all they see. */
export class CliError extends Error {}
