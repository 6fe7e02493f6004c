package boldsatchel.abilities;

import boldsatchel.links.LinksResult;
import boldsatchel.links.Need;
import boldsatchel.links.Route;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Signal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A loudspeaker on its amplifier, and how loud it gets.
 *
 * @param speaker id of the part
 * @param amplifier id of the part
 * @param source id of the part that the sound comes from; the amplifier itself where nothing leads on
 * @param channels how many are heard
 * @param stereo whether the source gives two
 * @param gives the amplifier
 * @param heard the loudspeaker
 */
public record Sound(
        String speaker,
        String amplifier,
        String source,
        int channels,
        boolean stereo,
        Facet.Amplifies gives,
        Facet.Sounds heard) {

    /** Half the distance is a quarter of the area: 20·lg 2, dB, from 1 m to half a metre (free field). */
    private static final double TO_HALF_METRE_DB = 20 * Math.log10(2);

    /** Loudspeakers of a build whose amplifier is known, by what is plugged in. */
    public static List<Sound> all(Build build, LinksResult links) {
        List<Sound> all = new ArrayList<>();
        for (Need need : links.needs()) {
            if (need.kinds().contains(Signal.Kind.SPEAKER) && need.route().isPresent()) {
                one(build, need, need.route().get()).ifPresent(all::add);
            }
        }
        return all;
    }

    private static Optional<Sound> one(Build build, Need need, Route route) {
        Route.Hop last = route.hops().getFirst();
        Optional<Facet.Sounds> heard = build.part(need.part()).flatMap(p -> p.facet(Facet.Sounds.class));
        Optional<Part> amplifier = build.part(last.giver().part());
        Optional<Facet.Amplifies> gives = amplifier.flatMap(p -> p.facet(Facet.Amplifies.class));
        if (heard.isEmpty() || gives.isEmpty()) {
            return Optional.empty();
        }
        boolean stereo = route.hops().stream()
                .skip(1)
                .limit(1)
                .anyMatch(h -> h.given().lanes() > h.taken().lanes());
        return Optional.of(new Sound(
                need.part(),
                last.giver().part(),
                route.giver().part(),
                Math.min(last.taken().lanes(), last.given().lanes()),
                stereo,
                gives.get(),
                heard.get()));
    }

    /** Power of a channel into this loudspeaker, W: the amplifier's swing is what it is, P = U²/Z. */
    public double watts() {
        return gives.watts().value() * gives.ohms() / heard.ohms();
    }

    /** Power that is used, W: no more than the loudspeaker bears. */
    public double usedWatts() {
        return Math.min(watts(), heard.watts());
    }

    /**
     * Sound pressure level half a metre before it at full power, dB: L(1 m, 1 W) + 10·lg P + 10·lg n + 6. An estimate: free field, no
     * chamber or wall helping, channels of unlike sound.
     */
    public double decibels() {
        return heard.dbAtMetre().value() + 10 * Math.log10(usedWatts() * channels) + TO_HALF_METRE_DB;
    }

    /**
     * Share of the mean of left and right that arrives when both come together over a resistor each: R_in / (R_in + R/2) (Thévenin).
     *
     * @param ohms of each resistor, the sources' own resistance among it
     * @param inputOhms of what follows
     */
    public static double mixed(double ohms, double inputOhms) {
        return inputOhms / (inputOhms + ohms / 2);
    }

    /**
     * The usual resistors to mix with, Ω: a twentieth of what follows, so that 2.5 % is lost, but not below 1 kΩ, which no output minds
     * seeing between it and the other one.
     */
    public double mixingOhms() {
        return Math.max(1000, gives.inputOhms() / 20);
    }
}
