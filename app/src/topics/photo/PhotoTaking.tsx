import { Notice } from '../../ui/board';
import { CameraSheet } from './CameraSheet';
import { DoubtedPhoto } from './DoubtedPhoto';
import type { usePhoto } from './usePhoto';

/** What stands there while a picture is taken: our own camera, what is doubtful of it, and why it was not taken. */
export const PhotoTaking = ({ photo: { fault, doubted, looking } }: { photo: ReturnType<typeof usePhoto> }) => (
  <>
    {fault ? <Notice kind="stop" title={fault} /> : null}
    <DoubtedPhoto doubted={doubted} />
    {looking ? <CameraSheet guide={looking.guide} onShot={looking.shot} onOther={looking.other} onClose={looking.close} /> : null}
  </>
);
