import { MouseSensor, TouchSensor } from '@dnd-kit/core';
import { flushSync } from 'react-dom';

type Props = ConstructorParameters<typeof MouseSensor>[0];

/** A drag is known to dnd-kit once React has rendered it; a quick hand on a busy page has let go before. Rendered at once, no drag is lost. */
const atOnce = <T extends Pick<Props, 'onStart' | 'onMove'>>(props: T): T => ({
  ...props,
  onStart: (at) => flushSync(() => props.onStart(at)),
  onMove: (at) => flushSync(() => props.onMove(at)),
});

export class PromptMouseSensor extends MouseSensor {
  constructor(props: Props) {
    super(atOnce(props));
  }
}

export class PromptTouchSensor extends TouchSensor {
  constructor(props: ConstructorParameters<typeof TouchSensor>[0]) {
    super(atOnce(props));
  }
}
