package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * What the machine is for and what it is judged against.
 *
 * @param purpose in the builder's words
 * @param currency ISO 4217 code that money is written in
 * @param limits hard limits; an absent one is not judged
 * @param surroundings where it is used
 * @param profiles ways of use; the first is the one verdicts are about
 * @param workshop tools at hand, if they were said
 * @param software what it has to run, if that was said
 * @param user who uses it, if that was said
 */
public record Brief(
        @Label("purpose") String purpose,
        @Label("currency") String currency,
        @Label("limits") Limits limits,
        @Label("surroundings") Surroundings surroundings,
        @Label(value = "use profiles", absent = 1) List<UseProfile> profiles,
        @Label("tools at hand") Optional<Workshop> workshop,
        @Label("what it has to run") Optional<Software> software,
        @Label("who uses it") Optional<User> user) {

    /**
     * The limits.
     *
     * @param hours least run time
     * @param massG most mass
     * @param money most still to be spent
     * @param widthMm most outside width
     * @param depthMm most outside depth
     * @param heightMm most outside height, closed
     * @param gapMm least gap between parts
     * @param tipMarginDeg least angle before it tips
     * @param heatMarginK least distance from any temperature limit
     * @param noiseDb most noise at half a metre, dB(A)
     * @param mendSteps most steps to have in hand what wears out
     * @param wishes which of them are wishes: missing one is worth knowing, and stops nothing
     */
    public record Limits(
            @Label(value = "Runs at least", in = Quantity.TIME)
            Optional<Double> hours,

            @Label(value = "Weighs at most", in = Quantity.MASS)
            Optional<Double> massG,

            @Label(value = "Costs at most", in = Quantity.MONEY)
            Optional<Double> money,

            @Label(value = "Width at most", in = Quantity.LENGTH, least = 0)
            Optional<Double> widthMm,

            @Label(value = "Depth at most", in = Quantity.LENGTH, least = 0)
            Optional<Double> depthMm,

            @Label(value = "Height closed at most", in = Quantity.LENGTH, least = 0)
            Optional<Double> heightMm,

            @Label(value = "Gap between parts", in = Quantity.LENGTH, absent = 0.8, least = 0)
            double gapMm,

            @Label(value = "Bears a tilt of", in = Quantity.ANGLE, absent = 10, least = 0, most = 90)
            double tipMarginDeg,

            @Label(value = "Stays below limits by", in = Quantity.TEMPERATURE_DIFFERENCE, absent = 5)
            double heatMarginK,

            @Label(value = "Noise at half a metre at most", in = Quantity.SOUND)
            Optional<Double> noiseDb,

            @Label(value = "Steps to battery, drive and fan at most", least = 1, most = 50)
            Optional<Double> mendSteps,

            @Label("wishes") Set<Limit> wishes) {

        /** Copies the set, in a stable order. */
        public Limits {
            wishes = Collections.unmodifiableSortedSet(new TreeSet<>(wishes));
        }

        /** Whether a limit is a wish. */
        public boolean isWish(Limit limit) {
            return wishes.contains(limit);
        }

        /** The same with a limit as a wish, or as a hard limit. */
        public Limits wishing(Limit limit, boolean wish) {
            Set<Limit> all = new HashSet<>(wishes);
            boolean changed = wish ? all.add(limit) : all.remove(limit);
            return changed ? Form.of(Limits.class).field("wishes").with(this, all) : this;
        }

        /** The same for another run time. */
        public Limits lasting(Optional<Double> newHours) {
            return Form.of(Limits.class).field("hours").with(this, newHours);
        }

        /** No limits but the usual care: 0.8 mm gaps, 10° before tipping, 5 K before too hot. */
        public static Limits usual() {
            return new Limits(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    0.8,
                    10,
                    5,
                    Optional.empty(),
                    Optional.empty(),
                    Set.of());
        }
    }

    /** The limits that may be wishes, by the field each is. */
    public enum Limit {
        /** Least run time. */
        HOURS("hours"),
        /** Most mass. */
        MASS("massG"),
        /** Most money. */
        MONEY("money"),
        /** Most outside width. */
        WIDTH("widthMm"),
        /** Most outside depth. */
        DEPTH("depthMm"),
        /** Most outside height, closed. */
        HEIGHT("heightMm"),
        /** Most steps to what wears out. */
        STEPS("mendSteps");

        private final String field;

        Limit(String field) {
            this.field = field;
        }

        /** The field of the limits that it is. */
        public String field() {
            return field;
        }
    }

    /**
     * Tools and skills at hand.
     *
     * @param solders with an iron
     * @param hotAir for what an iron cannot
     * @param spotWelds cells
     * @param cuts sheet with a laser, router or saw
     * @param drills with a press
     * @param bed of the printer, if there is one
     * @param printedOffMm by how much its holes come out smaller than drawn, once a gauge piece was measured
     * @param gaugeMm how long that gauge piece came out, drawn {@link #GAUGE_MM} long
     */
    public record Workshop(
            @Label(value = "soldering iron", absent = 1) boolean solders,
            @Label("hot air") boolean hotAir,
            @Label("spot welder") boolean spotWelds,
            @Label("cutter for sheet") boolean cuts,
            @Label("drill press") boolean drills,
            @Label("printer, its bed") Optional<Bed> bed,

            @Label(
                    value = "printed holes are smaller by",
                    in = Quantity.LENGTH,
                    least = -2,
                    most = 5,
                    usualLeast = -0.5,
                    usualMost = 1)
            Optional<Figure> printedOffMm,

            @Label(value = "gauge piece, drawn 60 mm long, is", in = Quantity.LENGTH, least = 50, most = 70)
            Optional<Double> gaugeMm) {

        /** A gauge piece is drawn so long, mm. */
        public static final double GAUGE_MM = 60;

        /** Pieces are printed so many times as large as they are drawn, so that they come out as drawn. */
        public double scale() {
            return gaugeMm.map(is -> GAUGE_MM / is).orElse(1.0);
        }
    }

    /**
     * What a printer can make.
     *
     * @param widthMm of the bed
     * @param depthMm of the bed
     * @param heightMm above it
     */
    public record Bed(
            @Label(value = "width", in = Quantity.LENGTH, absent = 220, least = 10)
            double widthMm,

            @Label(value = "depth", in = Quantity.LENGTH, absent = 220, least = 10)
            double depthMm,

            @Label(value = "height", in = Quantity.LENGTH, absent = 250, least = 10)
            double heightMm) {

        /**
         * What goes over, turned as it fits best and square to the bed.
         *
         * @param size of it, and what there is, mm
         */
        public record Beyond(double size, double limit) {}

        /** The longest side of a piece that goes over; nothing where it can be made. */
        public Optional<Beyond> beyond(Box piece) {
            double[] is = {piece.dx(), piece.dy(), piece.dz()};
            double[] may = {widthMm, depthMm, heightMm};
            Arrays.sort(is);
            Arrays.sort(may);
            for (int i = 2; i >= 0; i--) {
                if (is[i] > may[i]) {
                    return Optional.of(new Beyond(is[i], may[i]));
                }
            }
            return Optional.empty();
        }
    }

    /**
     * What it has to run.
     *
     * @param system operating system, in the builder's words
     * @param programs that must run
     * @param without what the machine does without on purpose
     */
    public record Software(
            @Label("operating system") String system,
            @Label("programs") List<Program> programs,
            @Label("does without") Set<Function> without) {
        /** Copies the lists, in a stable order. */
        public Software {
            programs = List.copyOf(programs);
            without = Collections.unmodifiableSortedSet(new TreeSet<>(without));
        }

        /** Of which nothing is said yet. */
        public static final Software UNSAID = new Software("", List.of(), Set.of());
    }

    /**
     * A program.
     *
     * @param name of it
     * @param madeFor the processors it was made for
     * @param memoryGb it takes while it runs; absent where nobody said
     * @param storageGb it takes with its files; absent where nobody said
     * @param slowest how many times slower than on its own processor it may run and still be of use; absent where nobody said
     */
    public record Program(
            @Label("name") String name,
            @Label("made for") Processor madeFor,
            @Label(value = "memory", in = Quantity.DATA) Optional<Double> memoryGb,
            @Label(value = "storage", in = Quantity.DATA) Optional<Double> storageGb,

            @Label(value = "may be slower by", least = 1, most = 1000)
            Optional<Double> slowest) {

        /** Of which no more is known. */
        public Program(String name, Processor madeFor) {
            this(name, madeFor, Optional.empty(), Optional.empty(), Optional.empty());
        }
    }

    /**
     * Where it is used.
     *
     * @param ambientC air temperature
     * @param packC temperature of the cells at the start
     * @param inHands whether it is held for minutes, so that 48 °C is the most a wall may reach
     * @param onTable whether the underside gives off no heat
     * @param sunWm2 sunshine on what faces up, W/m²; about 1000 at noon in summer
     * @param worn whether it hangs on a body, over clothes, so that nobody asks whether it stands, and it may get no warmer than what is held
     * @param about what is around it
     */
    public record Surroundings(
            @Label(value = "Air around it", in = Quantity.TEMPERATURE, absent = 25, usualLeast = -30, usualMost = 50)
            double ambientC,

            @Label(value = "Cells at first", in = Quantity.TEMPERATURE, absent = 25, usualLeast = -30, usualMost = 50)
            double packC,

            @Label("held in the hands for minutes") boolean inHands,
            @Label(value = "stands on a table", absent = 1) boolean onTable,

            @Label(value = "Sun on it", in = Quantity.IRRADIANCE)
            double sunWm2,

            @Label("worn on the body") boolean worn,
            @Label("Around it") About about) {

        /** What is about a machine that works. */
        public enum About {
            /** Nothing. */
            FREE("nothing"),
            /** Others like it below and above, or padding. */
            STACK("a stack: covered above and below"),
            /** Thighs and cloth below it, over the vents in its floor too. */
            LAP("a lap: covered below"),
            /** Cloth or foam on all sides, over vents too. */
            BAG("a bag or sleeve");

            private final String words;

            About(String words) {
                this.words = words;
            }

            /** As shown in a choice. */
            public String words() {
                return words;
            }
        }

        /** Whether skin stays on it for minutes. */
        public boolean touchesSkin() {
            return inHands || worn || onLap();
        }

        /** Whether it lies on a lap, whatever else it may stand on. */
        public boolean onLap() {
            return about == About.LAP;
        }

        /** Out of the sun, and not worn. */
        public Surroundings(double ambientC, double packC, boolean inHands, boolean onTable) {
            this(ambientC, packC, inHands, onTable, 0, false);
        }

        /** With nothing around it. */
        public Surroundings(
                double ambientC, double packC, boolean inHands, boolean onTable, double sunWm2, boolean worn) {
            this(ambientC, packC, inHands, onTable, sunWm2, worn, About.FREE);
        }
    }

    /** Copies the list; at least one profile is needed. */
    public Brief {
        if (profiles.isEmpty()) {
            throw new IllegalArgumentException("a brief needs at least one use profile");
        }
        profiles = List.copyOf(profiles);
    }

    /** Without a word on tools and programs. */
    public Brief(String purpose, String currency, Limits limits, Surroundings surroundings, List<UseProfile> profiles) {
        this(purpose, currency, limits, surroundings, profiles, Optional.empty(), Optional.empty(), Optional.empty());
    }

    /** Whether the machine does without something on purpose. */
    public boolean without(Function function) {
        return software.filter(s -> s.without().contains(function)).isPresent();
    }

    /** The profile that verdicts are about. */
    public UseProfile profile() {
        return profiles.getFirst();
    }

    /** A brief without limits, indoors. */
    public static Brief empty() {
        return new Brief(
                "",
                "EUR",
                Limits.usual(),
                new Surroundings(25, 25, false, true),
                List.of(UseProfile.always(Mode.BUSY)));
    }

    /** The same brief for another purpose. */
    public Brief withPurpose(String newPurpose) {
        return new Brief(newPurpose, currency, limits, surroundings, profiles, workshop, software, user);
    }

    /** The same brief with other limits. */
    public Brief withLimits(Limits newLimits) {
        return new Brief(purpose, currency, newLimits, surroundings, profiles, workshop, software, user);
    }

    /** The same brief with other surroundings. */
    public Brief withSurroundings(Surroundings newSurroundings) {
        return new Brief(purpose, currency, limits, newSurroundings, profiles, workshop, software, user);
    }

    /** The same brief with another word on programs. */
    public Brief withSoftware(Software newSoftware) {
        return new Brief(purpose, currency, limits, surroundings, profiles, workshop, Optional.of(newSoftware), user);
    }

    /** The same brief for another user. */
    public Brief withUser(User newUser) {
        return new Brief(purpose, currency, limits, surroundings, profiles, workshop, software, Optional.of(newUser));
    }

    /** The same brief of a machine that was let warm up, or cool down, before it is used. */
    public Brief warmedUp() {
        return withSurroundings(Form.of(Surroundings.class).field("packC").with(surroundings, surroundings.ambientC()));
    }

    /** The same brief with other profiles. */
    public Brief withProfiles(List<UseProfile> newProfiles) {
        return new Brief(purpose, currency, limits, surroundings, newProfiles, workshop, software, user);
    }
}
