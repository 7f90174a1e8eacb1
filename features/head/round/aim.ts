import type { PerspectiveCamera } from 'three';
import type { Eye } from './turn';

/** Sets a camera to an eye; in the mirror it stands on the other side, as the head does. */
export function aimCamera(camera: PerspectiveCamera, eye: Eye, mirrored: boolean): void {
  const flip = mirrored ? -1 : 1;
  camera.position.set(eye.at.x * flip, eye.at.y, eye.at.z);
  camera.up.set(eye.up.x * flip, eye.up.y, eye.up.z);
  camera.lookAt(eye.target.x * flip, eye.target.y, eye.target.z);
  camera.fov = (Math.atan(eye.tangent) * 360) / Math.PI;
  camera.updateProjectionMatrix();
}
