/** The answer to a delivery, given only after its events are durable. */
export interface DeliveryAnswer {
  /** Events that were new. */
  accepted: number
  /** Events that were seen before; they do not play again. */
  repeated: number
  /** Events that could not be understood; kept for inspection. */
  rejected: number
}
