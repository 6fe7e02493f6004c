package boldsatchel.heat;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A fan that starts and stops by the temperature of a board.
 *
 * @param fan id of the part that has it
 * @param watches id of the board: itself, or the one of the machine that draws most
 * @param onC where it starts
 * @param offC below which it stops again
 */
record Switched(String fan, String watches, double onC, double offC) {

    /** Of a build; a fan without any board to watch runs always. */
    static List<Switched> of(Build build) {
        List<Switched> switched = new ArrayList<>();
        for (Part part : build.parts().list()) {
            Optional<Facet.MovesAir> moves = part.facet(Facet.MovesAir.class);
            Optional<Double> onC = moves.flatMap(Facet.MovesAir::startsC);
            if (onC.isPresent()) {
                (part.family().computes() ? Optional.of(part) : board(build))
                        .ifPresent(board -> switched.add(new Switched(
                                part.id(), board.id(), onC.get(), moves.get().offC(onC.get()))));
            }
        }
        return switched;
    }

    private static Optional<Part> board(Build build) {
        return build.parts().list().stream()
                .filter(p -> p.family().computes())
                .max(Comparator.comparingDouble(p -> p.facet(Facet.DrawsPower.class)
                        .map(d -> d.busyW().value())
                        .orElse(0.0)));
    }
}
