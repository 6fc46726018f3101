import { useEffect, useRef } from 'react';
import * as THREE from 'three';
import type { RouteFindings } from '@endrel/core/routes/route-findings';
import { boundsOf } from '@endrel/core/routes/shape';
import type { Vec } from '@endrel/core/routes/vector';
import { useTheme } from '../../components/theme.tsx';
import { freshScene, useSolidStage, type SolidStage } from '../use-solid-stage.ts';
import type { Circuit } from '../line-patterns.ts';

interface RouteSolidProps {
  readonly routes: RouteFindings;
  readonly chosen: string | undefined;
  circuitOf(line: string): Circuit;
  onChoose(line: string): void;
}
/** Standard views: where the eye stands from the middle. */
const standard = {
  'three quarter': [0.5, 0.66, 0.42],
  above: [0.001, 0, 1.05],
  left: [0, 1.05, 0],
  behind: [1.05, 0, 0],
} as const;

const SIDES = 12; // of a line's round
const THINNEST = 0.002; // of what is framed

type Eye = readonly [number, number, number];
interface Framed {
  readonly centre: THREE.Vector3;
  readonly reach: number;
}

/** Puts the eye somewhere about the middle of what is framed. */
function lookFrom({ camera, controls, render }: SolidStage, { centre, reach }: Framed, from: Eye): void {
  controls.target.copy(centre);
  camera.position.copy(centre).add(new THREE.Vector3(...from).multiplyScalar(reach));
  controls.update();
  render();
}

/** The vehicle in the round: turned by dragging or arrow keys, moved with shift, brought nearer with plus and minus. */
export function RouteSolid({ routes, chosen, circuitOf, onChoose }: RouteSolidProps) {
  const { canvas, stage } = useSolidStage(100, true);
  const framed = useRef<Framed>({ centre: new THREE.Vector3(), reach: 1 });
  const theme = useTheme();

  useEffect(() => {
    const { scene, render } = stage.current!;
    const { colour, keep, dispose } = freshScene(stage.current!);
    const vec = ([x, y, z]: Vec) => new THREE.Vector3(x, y, z);
    // framed by what is under the floor; a line is drawn thick enough to be seen
    const box = new THREE.Box3();
    for (const { shape, kind } of routes.zones) {
      if (kind === 'cabin') continue;
      const { low, high } = boundsOf(shape);
      box.expandByPoint(vec(low)).expandByPoint(vec(high));
    }
    for (const line of routes.lines) for (const p of line.centre?.points ?? []) box.expandByPoint(vec(p));
    if (!box.isEmpty()) {
      framed.current = {
        centre: box.getCenter(new THREE.Vector3()),
        reach: Math.max(0.3, box.getSize(new THREE.Vector3()).length()),
      };
    }
    const thinnest = THINNEST * framed.current.reach;
    const bad = new Set(routes.clearances.filter((c) => c.gap < c.least).map((c) => c.line));
    for (const line of routes.lines) {
      if (!line.centre) continue;
      const tube = keep(
        new THREE.TubeGeometry(
          new THREE.CatmullRomCurve3(line.centre.points.map(vec), false, 'centripetal'),
          line.centre.points.length * 2,
          Math.max(line.radius, thinnest),
          SIDES,
        ),
      );
      const ink = bad.has(line.part) ? '--stop' : `--${circuitOf(line.part)}`;
      const mesh = new THREE.Mesh(
        tube,
        keep(
          new THREE.MeshBasicMaterial({
            color: colour(ink),
            opacity: line.part === chosen ? 1 : 0.75,
            transparent: true,
          }),
        ),
      );
      mesh.name = line.part;
      scene.add(mesh);
    }
    for (const zone of routes.zones) {
      const { low, high } = boundsOf(zone.shape);
      const ink = zone.kind === 'hot' ? '--fix' : zone.kind === 'tank' ? '--ink' : '--ink-soft';
      const { shape } = zone;
      if (shape.form === 'pipe') {
        const along = vec(shape.b).sub(vec(shape.a));
        const pipe = keep(new THREE.CylinderGeometry(shape.radius, shape.radius, along.length(), 20));
        const mesh = new THREE.Mesh(
          pipe,
          keep(new THREE.MeshBasicMaterial({ color: colour(ink), transparent: true, opacity: 0.3, depthWrite: false })),
        );
        mesh.position.copy(vec(shape.a)).addScaledVector(along, 0.5);
        mesh.quaternion.setFromUnitVectors(new THREE.Vector3(0, 1, 0), along.normalize());
        scene.add(mesh);
      }
      if (zone.kind === 'tank' && shape.form === 'box') {
        const [w, d, h] = [0, 1, 2].map((i) => shape.high[i]! - shape.low[i]!) as [number, number, number];
        const body = new THREE.Mesh(
          keep(new THREE.BoxGeometry(w, d, h)),
          keep(
            new THREE.MeshBasicMaterial({
              color: colour('--fuel'),
              transparent: true,
              opacity: 0.6,
              depthWrite: false,
            }),
          ),
        );
        body.position.copy(vec(shape.low)).addScaledVector(new THREE.Vector3(w, d, h), 0.5);
        scene.add(body);
      }
      const size_ = vec(high).sub(vec(low));
      const edges = keep(new THREE.EdgesGeometry(keep(new THREE.BoxGeometry(size_.x, size_.y, size_.z))));
      const frame = new THREE.LineSegments(
        edges,
        keep(
          new THREE.LineBasicMaterial({
            color: colour(ink),
            transparent: true,
            opacity: zone.kind === 'cabin' ? 0.25 : shape.form === 'box' ? 1 : 0.35,
          }),
        ),
      );
      frame.position.copy(vec(low)).addScaledVector(size_, 0.5);
      scene.add(frame);
    }
    render();
    return dispose;
  }, [stage, routes, chosen, circuitOf, theme]);

  const look = (from: Eye): void => lookFrom(stage.current!, framed.current, from);
  useEffect(() => lookFrom(stage.current!, framed.current, standard['three quarter']), [stage]);

  function onKey(event: React.KeyboardEvent): void {
    const { camera, controls, render } = stage.current!;
    const arm = camera.position.clone().sub(controls.target);
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (step) {
      const side = new THREE.Vector3().crossVectors(camera.up, arm).normalize();
      if (event.shiftKey) {
        const move = side
          .multiplyScalar(0.05 * step[0]! * arm.length())
          .add(camera.up.clone().multiplyScalar(0.05 * step[1]! * arm.length()));
        controls.target.add(move);
        camera.position.add(move);
      } else {
        arm.applyAxisAngle(camera.up, 0.15 * step[0]!);
        const tilted = arm.clone().applyAxisAngle(side, -0.15 * step[1]!);
        if (Math.abs(tilted.clone().normalize().z) < 0.98) arm.copy(tilted);
        camera.position.copy(controls.target).add(arm);
      }
    } else if (event.key === '+' || event.key === '-')
      camera.position.copy(controls.target).addScaledVector(arm, event.key === '+' ? 0.85 : 1 / 0.85);
    else return;
    event.preventDefault();
    event.stopPropagation();
    controls.update();
    render();
  }

  function onClick(event: React.MouseEvent): void {
    const { scene, camera } = stage.current!;
    const { left, top, width, height } = canvas.current!.getBoundingClientRect();
    const ray = new THREE.Raycaster();
    ray.setFromCamera(
      new THREE.Vector2(((event.clientX - left) / width) * 2 - 1, 1 - ((event.clientY - top) / height) * 2),
      camera,
    );
    const hit = ray.intersectObjects(scene.children).find((h) => h.object.name !== '');
    if (hit) onChoose(hit.object.name);
  }
  return (
    <figure className="sheet">
      <canvas
        ref={canvas}
        className="block h-[24rem] w-full touch-none"
        role="img"
        aria-label="The vehicle’s lines and zones in the round; the three views show the same"
        tabIndex={0}
        onKeyDown={onKey}
        onClick={onClick}
      />
      <figcaption className="label flex flex-wrap items-center gap-1 border-t border-hair px-3 py-0.5">
        {(Object.keys(standard) as (keyof typeof standard)[]).map((key) => (
          <button key={key} className="quiet" onClick={() => look(standard[key])}>
            {key}
          </button>
        ))}
        Drag or arrow keys turn it, with shift they move it; + and − bring it nearer.
      </figcaption>
    </figure>
  );
}
