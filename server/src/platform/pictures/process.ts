import type { PictureReply, PictureTask } from './task';
import { copyPicture, judgePicture } from './work';

/** A process of its own for opening pictures, so that one that asks for more memory than it may have takes nobody with it. */
const done = async (task: PictureTask): Promise<PictureReply> => {
  try {
    if ('judge' in task) return { judged: await judgePicture(task.judge.file, task.judge.sha) };
    await copyPicture(task.copy.file, task.copy.as, task.copy.to);
    return {};
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException;
    return { error: message, code };
  }
};

process.on('message', (task: PictureTask) => {
  void done(task).then((reply) => process.send?.(reply));
});
// Whoever asked is gone.
process.on('disconnect', () => process.exit(0));
