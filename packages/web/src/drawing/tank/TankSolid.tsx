import { RotateCcw, RotateCw } from 'lucide-react';
import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import { fuelBody } from '@endrel/core/tanks/fuel-body';
import type { FuelPlane } from '@endrel/core/meshes/fuel-plane';
import { joinMeshes, meshBounds } from '@endrel/core/meshes/mesh';
import { solidMesh } from '@endrel/core/tanks/solid';
import type { Tank } from '@endrel/core/tanks/surveyed-tank';
import { useTheme } from '../../components/theme.tsx';
import { freshScene, useSolidStage } from '../use-solid-stage.ts';

const CREASE = 20; // degrees between faces from which an edge is drawn

/** The tank in the round with its fuel, turned by dragging, by the buttons or by the arrow keys. */
export function TankSolid({ tank, plane, label }: { tank: Tank; plane: FuelPlane; label: string }) {
  const { canvas, stage } = useSolidStage(50, false);
  const theme = useTheme();
  const meshes = useMemo(() => (tank.solids ?? []).map(solidMesh), [tank]);
  const bounds = useMemo(() => meshBounds(joinMeshes(meshes)), [meshes]);

  useEffect(() => {
    const { camera, controls, render } = stage.current!;
    const centre = new THREE.Vector3(...bounds.least.map((v, i) => (v + bounds.most[i]!) / 2));
    const size = Math.hypot(...bounds.least.map((v, i) => bounds.most[i]! - v));
    controls.target.copy(centre);
    camera.position.copy(centre).add(new THREE.Vector3(1.1 * size, -1.45 * size, 0.95 * size));
    controls.update();
    render();
  }, [stage, bounds]);

  useEffect(() => {
    const { scene, render } = stage.current!;
    const { colour, keep, dispose } = freshScene(stage.current!);
    const add = (corners: Float64Array, material: THREE.Material, order: number) => {
      const geometry = keep(new THREE.BufferGeometry());
      geometry.setAttribute('position', new THREE.BufferAttribute(Float32Array.from(corners), 3));
      const mesh = new THREE.Mesh(geometry, keep(material));
      mesh.renderOrder = order;
      scene.add(mesh);
      return geometry;
    };
    const flat = (name: string, opacity: number) =>
      new THREE.MeshBasicMaterial({
        color: colour(name),
        transparent: true,
        opacity,
        side: THREE.DoubleSide,
        depthWrite: false,
      });
    for (const mesh of meshes) {
      const fuel = fuelBody(mesh, plane);
      if (fuel.walls.length > 0) add(fuel.walls, flat('--supply', 0.22), 1);
      if (fuel.surface.length > 0) add(fuel.surface, flat('--supply', 0.5), 2);
      const shell = add(mesh.corners, flat('--ink', 0.05), 3);
      const edges = keep(new THREE.EdgesGeometry(shell, CREASE));
      const ink = keep(new THREE.LineBasicMaterial({ color: colour('--ink') }));
      scene.add(new THREE.LineSegments(edges, ink));
    }
    render();
    return dispose;
  }, [stage, meshes, plane, theme]);

  /** Turns the eye about the tank's upright axis. */
  function turn(angle: number): void {
    const { camera, controls, render } = stage.current!;
    const arm = camera.position
      .clone()
      .sub(controls.target)
      .applyAxisAngle(new THREE.Vector3(0, 0, 1), angle);
    camera.position.copy(controls.target).add(arm);
    controls.update();
    render();
  }
  return (
    <figure className="sheet">
      <canvas
        ref={canvas}
        className="block h-[19rem] w-full touch-none"
        role="img"
        aria-label={label}
        tabIndex={0}
        onKeyDown={(event) => {
          const step = { ArrowLeft: -0.2, ArrowRight: 0.2 }[event.key];
          if (step) turn(step);
        }}
      />
      <figcaption className="label flex items-center gap-2 border-t border-hair px-3 py-0.5">
        Drag, or
        <button className="quiet" aria-label="Turn it left" onClick={() => turn(-0.35)}>
          <RotateCcw size={15} aria-hidden />
        </button>
        <button className="quiet" aria-label="Turn it right" onClick={() => turn(0.35)}>
          <RotateCw size={15} aria-hidden />
        </button>
        to turn it. The nearer end is the front.
      </figcaption>
    </figure>
  );
}
