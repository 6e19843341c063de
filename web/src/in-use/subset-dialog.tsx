import type { Study } from '@ivlen/contract';
import { Modal } from '../controls/modal';
import { SubsetBuilder } from './subset-builder';

/** The rules for rows over the page. */
export function SubsetDialog({ study, onClose }: { study: Study; onClose: () => void }) {
  return (
    <Modal
      title="Rows by rules"
      description="Rules for rows: use only these, as the subset, or set them aside for a reason. The others stay in the table either way."
      className="w-[680px]"
      onClose={onClose}
    >
      <SubsetBuilder study={study} onClose={onClose} />
    </Modal>
  );
}
