package boldsatchel.hands;

import boldsatchel.machine.Posture;
import java.util.List;
import java.util.Optional;

/**
 * How the machine meets a body: eyes, fingers, wrists and arms, posture by posture. All of it for a body of the height that the brief says, and
 * a guess as bodies are.
 *
 * @param postures those that somebody uses it in; what is stowed, or closed so that nothing can be seen or typed, says little
 * @param setUp what has to be done before it can be used
 */
public record HandsResult(List<InPosture> postures, SetUp setUp) {

    /** Copies the list. */
    public HandsResult {
        postures = List.copyOf(postures);
    }

    /**
     * One posture.
     *
     * @param massG of what is held
     * @param sights what the eyes meet on each screen that can be seen
     * @param typings what wrists meet at each keyboard that can be typed on
     * @param loads what it asks of joints of the body
     * @param reaches how far each control is from the thumbs, where two hands hold it
     * @param hangsDeg angle between how it is drawn and how it hangs from its handle; absent where it hangs from none
     * @param isHoldKnown whether somebody said where it is held, or it does not matter
     */
    public record InPosture(
            Posture posture,
            double massG,
            List<Sight> sights,
            List<Typing> typings,
            List<Load> loads,
            List<Reach> reaches,
            Optional<Double> hangsDeg,
            boolean isHoldKnown) {

        /** Copies the lists. */
        public InPosture {
            sights = List.copyOf(sights);
            typings = List.copyOf(typings);
            loads = List.copyOf(loads);
            reaches = List.copyOf(reaches);
        }

        /** The screen whose dots look largest, over the one whose dots look smallest; 1 with fewer than two screens. */
        public double unequal() {
            double most = sights.stream().mapToDouble(Sight::dotArcmin).max().orElse(1);
            return most / sights.stream().mapToDouble(Sight::dotArcmin).min().orElse(1);
        }
    }

    /**
     * A screen before the eyes.
     *
     * @param screen id of its part
     * @param eyesMm from the eyes to its middle
     * @param belowDeg how far below the horizon the eyes look; not a number where the machine is held up to them
     * @param obliqueDeg between where the screen faces and where the eyes are
     * @param rollDeg how far its picture is turned about the line of sight; not a number where the machine is held up
     * @param capitalsArcmin height of capital letters as they are seen, minutes of arc
     * @param dotArcmin size of a dot as it is drawn and seen, minutes of arc; at a scale of 2 one is drawn with four
     */
    public record Sight(
            String screen,
            double eyesMm,
            double belowDeg,
            double obliqueDeg,
            double rollDeg,
            double capitalsArcmin,
            double dotArcmin) {}

    /**
     * A keyboard under the fingers.
     *
     * @param keyboard id of its part
     * @param riseMm its middle row over what the wrists lie on
     * @param wristDeg how far the wrists are bent back
     * @param grips sideways push that it bears over the one of a keystroke: below 1 it walks
     * @param tips whether a stroke at a corner lifts the far side
     */
    public record Typing(String keyboard, double riseMm, double wristDeg, double grips, boolean tips) {
        /** From the wrist to the tips of bent fingers, mm. */
        public static final double WRIST_TO_TIPS_MM = 120;

        /** How far wrists are bent by keys that are higher than what they lie on, degrees. */
        public static double bentDeg(double riseMm) {
            return Math.toDegrees(Math.atan(riseMm / WRIST_TO_TIPS_MM));
        }
    }

    /** A joint of the body that bears it. */
    public enum Bearer {
        /** Each wrist of two hands. */
        WRIST("each wrist"),
        /** Each elbow of two arms. */
        ELBOW("each elbow"),
        /** The one elbow of the arm that it is worn on. */
        WEARING_ELBOW("the elbow"),
        /** The neck. */
        NECK("the neck");

        private final String words;

        Bearer(String words) {
            this.words = words;
        }

        /** For people. */
        public String words() {
            return words;
        }
    }

    /**
     * What it asks of a joint of the body, held level.
     *
     * @param momentNm torque
     * @param mostNm torque that is borne for long
     * @param minutes until it must rest; endless below that
     */
    public record Load(Bearer bearer, double momentNm, double mostNm, double minutes) {}

    /**
     * A control and the thumb that is nearer.
     *
     * @param part its id
     * @param control name of the button, or of the part
     * @param beyondMm how far it is out of reach; negative within
     */
    public record Reach(String part, String control, double beyondMm) {}

    /** What is known of the posture of a name. */
    public Optional<InPosture> posture(String name) {
        return postures.stream().filter(p -> p.posture().name().equals(name)).findFirst();
    }
}
