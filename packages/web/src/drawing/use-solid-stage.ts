import { useEffect, useRef, type RefObject } from 'react';
import * as THREE from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';

/** What a solid is drawn with: a scene, the eye, and what turns it. */
export interface SolidStage {
  readonly scene: THREE.Scene;
  readonly camera: THREE.PerspectiveCamera;
  readonly controls: OrbitControls;
  render(): void;
}

/**
 * A canvas with a scene in the round, z upwards, drawn again when it is turned or changes its size; there as long as the component is.
 *
 * @param farthest - that the eye sees, m. @param pans - whether it can be moved sideways too.
 */
export function useSolidStage(
  farthest: number,
  pans: boolean,
): { canvas: RefObject<HTMLCanvasElement | null>; stage: RefObject<SolidStage | undefined> } {
  const canvas = useRef<HTMLCanvasElement>(null);
  const stage = useRef<SolidStage>(undefined);
  useEffect(() => {
    const element = canvas.current!;
    const renderer = new THREE.WebGLRenderer({
      canvas: element,
      antialias: true,
      alpha: true,
      preserveDrawingBuffer: true,
    });
    const camera = new THREE.PerspectiveCamera(32, 1, 0.01, farthest);
    camera.up.set(0, 0, 1);
    const scene = new THREE.Scene();
    const controls = new OrbitControls(camera, element);
    controls.enablePan = pans;
    const render = () => {
      const { clientWidth: width, clientHeight: height } = element;
      renderer.setPixelRatio(window.devicePixelRatio);
      renderer.setSize(width, height, false);
      camera.aspect = width / Math.max(height, 1);
      camera.updateProjectionMatrix();
      renderer.render(scene, camera);
    };
    controls.addEventListener('change', render);
    const observer = new ResizeObserver(render);
    observer.observe(element);
    stage.current = { scene, camera, controls, render };
    return () => {
      observer.disconnect();
      controls.dispose();
      renderer.dispose();
      stage.current = undefined;
    };
  }, [farthest, pans]);
  return { canvas, stage };
}

/** An emptied scene: what is drawn into it is kept, and let go with it. */
export interface FreshScene {
  /** Of the theme, by the name of its property. */
  colour(name: string): THREE.Color;
  keep<T extends { dispose(): void }>(thing: T): T;
  dispose(): void;
}

export function freshScene({ scene }: SolidStage): FreshScene {
  scene.clear();
  const style = getComputedStyle(document.documentElement);
  const made: { dispose(): void }[] = [];
  return {
    colour: (name) => new THREE.Color(style.getPropertyValue(name).trim()),
    keep(thing) {
      made.push(thing);
      return thing;
    },
    dispose: () => made.forEach((thing) => thing.dispose()),
  };
}
