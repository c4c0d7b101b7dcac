/** Whether this page stands on the machine that Lemniscus runs on: there it is called by the machine's own loop. */
export function isThisMachine(): boolean {
  return location.protocol === 'http:';
}
