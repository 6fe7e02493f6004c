package boldsatchel.hands;

import boldsatchel.hands.HandsResult.Bearer;
import boldsatchel.hands.HandsResult.Load;

/**
 * How long a joint of the body bears a torque. Holding still at a share f of the greatest strength lasts T = −1.5 + 2.1/f − 0.6/f² + 0.1/f³
 * minutes, and long below a share of 0.15 (Rohmert, <i>Ermittlung von Erholungspausen für statische Arbeit des Menschen</i>, Int. Z. angew.
 * Physiol. 18, 1960, 123). Strengths are of people who are not strong: guesses.
 */
final class Effort {

    /** Share of the strength that is held for long. */
    private static final double LONG = 0.15;
    /** Greatest torque of a wrist, thumb up, N·m. */
    private static final double WRIST_NM = 6;
    /** Greatest torque of a bent elbow, N·m. */
    private static final double ELBOW_NM = 35;
    /** Torque of a forearm with its hand, held level, N·m: 1.4 kg at 150 mm. */
    private static final double FOREARM_NM = 2.1;
    /** What a head may carry off its joint with the neck, N·m (after Butler, 1992, who looked at what helmets may weigh). */
    private static final double NECK_NM = 0.83;

    private Effort() {}

    static Load wrist(double momentNm) {
        return held(Bearer.WRIST, momentNm, WRIST_NM);
    }

    /** An elbow that bears a torque besides that of its own forearm. */
    static Load elbow(Bearer which, double momentNm) {
        return held(which, momentNm + FOREARM_NM, ELBOW_NM);
    }

    /** A neck tires by its own measure, of which no time is known. */
    static Load neck(double momentNm) {
        return new Load(Bearer.NECK, momentNm, NECK_NM, momentNm <= NECK_NM ? Double.POSITIVE_INFINITY : Double.NaN);
    }

    private static Load held(Bearer bearer, double momentNm, double strengthNm) {
        return new Load(bearer, momentNm, LONG * strengthNm, minutes(momentNm / strengthNm));
    }

    /** Minutes that a share of the strength is held. */
    static double minutes(double share) {
        if (share <= LONG) {
            return Double.POSITIVE_INFINITY;
        }
        double f = Math.min(1, share);
        return share > 1 ? 0 : -1.5 + 2.1 / f - 0.6 / (f * f) + 0.1 / (f * f * f);
    }
}
