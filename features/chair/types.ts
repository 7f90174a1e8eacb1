/** Who is at a device, and the server's time. */
export interface DeviceFacts {
  readonly person: string;
  readonly salonId: string;
  readonly serverNow: number;
}
