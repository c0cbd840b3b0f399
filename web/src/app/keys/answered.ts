/** Set on a dialog from its answer on, a while before it is gone: what is pressed then is meant for what comes after it. */
export const ANSWERED = 'data-answered';
