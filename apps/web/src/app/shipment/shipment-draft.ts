/** A shipment as it is put together, kept on the device. */
export interface ShipmentDraft {
  readonly cylinders: readonly string[];
  readonly to: string;
  readonly carrier: string;
  /** Empty is today, whenever the draft was begun. */
  readonly day: string;
}

export const newShipment = (): ShipmentDraft => ({ cylinders: [], to: '', carrier: '', day: '' });
