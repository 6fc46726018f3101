import { jointProperties, type Joint, type JointKey } from '@endrel/core/parts/joint';
import { useAct, useNeeds } from '../session/session-context.tsx';
import { PropertyField } from './PropertyField.tsx';

interface JointFieldsProps {
  readonly joint: Joint;
  readonly keys: readonly JointKey[];
  /** As the change is called in the history: “of joint 3”. */
  readonly of: string;
  readonly className: string;
}

/** The fields of some of a joint’s properties. */
export function JointFields({ joint, keys, of, className }: JointFieldsProps) {
  const act = useAct();
  const { paths: needs } = useNeeds();
  return (
    <div className={className}>
      {keys.map((key) => {
        const path = ['joints', joint.id, key];
        const title = `set ${jointProperties[key].name} ${of}`;
        return (
          <PropertyField
            key={key}
            property={jointProperties[key]}
            path={path}
            value={joint[key]}
            needed={needs.has(path.join('/'))}
            onChange={(value, group) =>
              act({ act: 'setOnJoints', title, changes: [{ id: joint.id, key, value }] }, group)
            }
          />
        );
      })}
    </div>
  );
}
