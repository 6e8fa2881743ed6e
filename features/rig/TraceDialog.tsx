'use client';

import { Alert, Button, Segmented } from 'antd';
import { useRef, useState } from 'react';
import { setRig } from '@/core/rig/edits';
import { refusePicture, traceOutline, type Pixel } from '@/core/rig/traceOutline';
import { useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { Dialog } from '@/ui/Dialog';
import { FileButton } from '@/ui/FileButton';
import { MmField } from '@/ui/MmField';
import { LIMITS } from '@/core/catalog/vocabulary';
import { noOutlineWords, noPictureWords } from '@/core/wording/traceWords';
import styles from './TraceDialog.module.css';

interface Picture {
  url: string;
  width: number;
  height: number;
}

/** A picture of the vehicle from above, front to the left: two points and a length set the scale, then its corners are set. */
export function TraceDialog({ onClose }: { onClose(): void }) {
  const store = useDesignStore();
  const units = useUnits();
  const [picture, setPicture] = useState<Picture | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [step, setStep] = useState<'scale' | 'corners'>('scale');
  const [scale, setScale] = useState<Pixel[]>([]);
  const [knownMm, setKnownMm] = useState(2000);
  const [corners, setCorners] = useState<Pixel[]>([]);
  const svg = useRef<SVGSVGElement>(null);

  const open = async (file: File) => {
    const isSvg = file.type === 'image/svg+xml';
    const small = file.size <= LIMITS.pictureBytes;
    const why = refusePicture(file, isSvg && small ? await file.text() : null);
    setProblem(why && noPictureWords(why, file.size));
    if (why) return;
    const url = await asDataUrl(file);
    const size = await sizeOf(url);
    if (!size) setProblem('the picture cannot be read; save it anew and try again');
    else {
      setPicture({ url, ...size });
      setScale([]);
      setCorners([]);
      setStep('scale');
    }
  };
  const press = (event: React.MouseEvent) => {
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.current!.getScreenCTM()!.inverse());
    const pixel = { x: at.x, y: at.y };
    if (step === 'scale') setScale((now) => (now.length >= 2 ? [pixel] : [...now, pixel]));
    else setCorners((now) => [...now, pixel]);
  };
  const ready = scale.length === 2 && corners.length >= 3;
  const take = () => {
    const traced = traceOutline(corners, [scale[0]!, scale[1]!], knownMm);
    if (!traced.ok) {
      setProblem(noOutlineWords(traced.why));
      return;
    }
    const { outline, lengthMm, widthMm } = traced;
    const refused = store.commit('Trace the outline', (design) => setRig(design, { outline, lengthMm, widthMm }));
    if (refused) setProblem(refused);
    else onClose();
  };
  return (
    <Dialog
      open
      title="Trace the outline over a picture"
      width={900}
      onCancel={onClose}
      onOk={take}
      okText="Take the outline"
      okButtonProps={{ disabled: !ready }}
    >
      <p>
        A picture from above with the front to the left. It is only used here: what is kept is the outline. First press two points whose
        distance you know, then the corners in order.
      </p>
      <div className={styles.tools}>
        <FileButton
          text="Choose a picture"
          accept="image/png,image/jpeg,image/webp,image/svg+xml,.svg"
          onFile={(file) => void open(file)}
        />
        {picture && (
          <>
            <Segmented
              aria-label="What a press sets"
              value={step}
              onChange={setStep}
              options={[
                { value: 'scale', label: `Scale: ${scale.length} of 2 points` },
                { value: 'corners', label: `Corners: ${corners.length}` },
              ]}
            />
            <span>
              between the two points{' '}
              <MmField
                label="Length between the two points"
                mm={knownMm}
                units={units}
                least={1}
                most={LIMITS.vehicleMm}
                onCommit={setKnownMm}
              />
            </span>
            <Button disabled={corners.length === 0} onClick={() => setCorners((now) => now.slice(0, -1))}>
              Take back a corner
            </Button>
          </>
        )}
      </div>
      {problem && <Alert type="error" showIcon title={`That cannot be taken: ${problem}.`} />}
      {picture && (
        <svg
          ref={svg}
          className={styles.picture}
          viewBox={`0 0 ${picture.width} ${picture.height}`}
          role="img"
          aria-label="The picture to trace over"
          onClick={press}
        >
          <image href={picture.url} width={picture.width} height={picture.height} />
          {scale.length === 2 && <line x1={scale[0]!.x} y1={scale[0]!.y} x2={scale[1]!.x} y2={scale[1]!.y} className={styles.scale} />}
          {scale.map(({ x, y }, at) => (
            <circle key={at} cx={x} cy={y} r={picture.width / 160} className={styles.scalePoint} />
          ))}
          <polygon points={corners.map(({ x, y }) => `${x},${y}`).join(' ')} className={styles.outline} />
          {corners.map(({ x, y }, at) => (
            <circle key={at} cx={x} cy={y} r={picture.width / 190} className={styles.corner} />
          ))}
        </svg>
      )}
    </Dialog>
  );
}

function asDataUrl(file: File): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error ?? new Error('not readable'));
    reader.readAsDataURL(file);
  });
}

function sizeOf(url: string): Promise<{ width: number; height: number } | null> {
  return new Promise((resolve) => {
    const image = new Image();
    image.onload = () => resolve({ width: image.naturalWidth || 1000, height: image.naturalHeight || 600 });
    image.onerror = () => resolve(null);
    image.src = url;
  });
}
