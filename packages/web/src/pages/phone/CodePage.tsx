import { Navigate, useParams } from 'react-router';
import { useGet } from '../../data';
import { ButtonLink, Empty, Loaded } from '../../ui';

/** Where a label's code leads: to the tank of that code, whatever it was called by before. */
export function CodePage() {
  const { code = '' } = useParams();
  const life = useGet('tankLife');
  return (
    <Loaded reply={life} what="the tank">
      {(tanks) => {
        const tank = tanks.find((one) => one.code.toLowerCase() === code.toLowerCase());
        return tank ? (
          <Navigate to={`/tanks/${tank.tankId}`} replace />
        ) : (
          <Empty title={`There’s no tank ${code} here`} action={<ButtonLink to="/room">Look in the room</ButtonLink>}>
            Its label is older than the room. The tank may have another code now.
          </Empty>
        );
      }}
    </Loaded>
  );
}
