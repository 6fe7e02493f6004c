package boldsatchel.hands;

import boldsatchel.machine.User;

/**
 * Lengths of a body of a height, mm. Shares of the height of British adults, both sexes in the middle (Pheasant and Haslegrave,
 * <i>Bodyspace</i>, 3rd ed. 2006: height 1740 and 1610, sitting eye height 790 and 740, sitting elbow height 245 and 235, thigh
 * 160 and 155, elbow to grip 360 and 325, shoulder to grip 665 and 600). A body has its own: all of them are guesses.
 */
record Stature(double heightMm) {

    private static final double EYES_OVER_SEAT = 0.457;
    private static final double ELBOWS_OVER_SEAT = 0.143;
    private static final double THIGHS_OVER_SEAT = 0.094;
    private static final double ELBOW_TO_GRIP = 0.204;
    private static final double SHOULDER_TO_GRIP = 0.378;
    /** Eyes before the elbows, or the shoulders, of somebody who sits upright and looks at what the hands do. */
    private static final double EYES_BEFORE_ELBOWS = 0.05;
    /** From the root of the thumb to where its tip still works: a thumb of 0.03 of the height, and what its root moves. */
    private static final double THUMB = 0.045;

    static Stature of(User user) {
        return new Stature(user.statureMm());
    }

    /** A table is as high as the elbows. */
    double eyesOverTable() {
        return (EYES_OVER_SEAT - ELBOWS_OVER_SEAT) * heightMm;
    }

    double eyesOverLap() {
        return (EYES_OVER_SEAT - THIGHS_OVER_SEAT) * heightMm;
    }

    double elbowToGrip() {
        return ELBOW_TO_GRIP * heightMm;
    }

    /** How far behind the fingers the eyes are, along the ground. */
    double eyesBehindFingers() {
        return (ELBOW_TO_GRIP - EYES_BEFORE_ELBOWS) * heightMm;
    }

    /** The same with arms stretched out. */
    double eyesBehindFarFingers() {
        return (SHOULDER_TO_GRIP - EYES_BEFORE_ELBOWS) * heightMm;
    }

    double thumb() {
        return THUMB * heightMm;
    }
}
