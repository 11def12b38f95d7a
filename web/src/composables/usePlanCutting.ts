import { TRAY_METHODS } from '@fernbank/core';
import { write } from '../api/client.ts';
import type { Plant } from '../api/types.ts';
import { m } from '../messages/index.ts';
import { useNotices } from '../stores/notices.ts';
import { useSettings } from '../stores/settings.ts';

/** A cutting instead of a pole on a grown plant: it waits in the tray to be cut. */
export function usePlanCutting() {
  const notices = useNotices();
  const settings = useSettings();
  return async (plant: Plant, count: number): Promise<void> => {
    const { id, name, taxon, groupId, spotId } = plant;
    try {
      const { deed } = await write('/batches', {
        method: 'POST',
        body: {
          method: 'cutting',
          medium: 'moss',
          parentId: id,
          name: `${name}, ${TRAY_METHODS.cutting.label}`,
          taxon,
          groupId,
          spotId,
          date: settings.current.today,
          count,
          planned: true,
        },
      });
      notices.done(m.tray.cuttingPlanned, { deed });
    } catch (error) {
      notices.fault(error);
    }
  };
}
