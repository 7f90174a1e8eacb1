/** Time that this process has worked, ms: what other processes take of the machine does not count. */
export function spentMs(): number {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
}
