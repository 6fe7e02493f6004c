package boldsatchel.abilities;

import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Function;
import boldsatchel.machine.Part;
import java.util.List;
import java.util.Optional;

/** How what the machine uses of its boards works under the system that was chosen. */
record Risks(Build build, Boards boards, List<Gap> gaps) {

    void look() {
        String system = build.brief().software().map(Brief.Software::system).orElse("");
        if (!system.isBlank()) {
            boards.list().forEach(b -> b.facet(Facet.Supported.class).ifPresent(s -> board(b, s, system)));
        }
    }

    private void board(Part board, Facet.Supported supported, String system) {
        for (Function function : boards.used().getOrDefault(board.id(), java.util.Set.of())) {
            Facet.Degree degree =
                    supported.of(function, system).map(Facet.Support::degree).orElse(Facet.Degree.UNKNOWN);
            switch (degree) {
                case FAILS -> add(Gap.Kind.FAILS, board, function, system);
                case PARTLY -> add(Gap.Kind.PARTLY, board, function, system);
                case UNKNOWN -> add(Gap.Kind.UNTRIED, board, function, system);
                case WORKS -> {
                    // As it should.
                }
            }
        }
    }

    private void add(Gap.Kind kind, Part board, Function function, String system) {
        gaps.add(new Gap(kind, List.of(board.id()), Optional.of(function), system.strip(), Double.NaN, Double.NaN));
    }
}
