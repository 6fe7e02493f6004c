package boldsatchel.abilities;

import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Programs against processors, memory and storage. */
record Programs(Build build, Boards boards, List<Gap> gaps) {

    /** Slower storage makes every start a wait: the least speed class of memory cards that is made for programs reads so fast (SD Physical Layer 6.0, 4.13). */
    private static final double LEAST_READ_MB_S = 20;

    void look() {
        List<Brief.Program> programs =
                build.brief().software().map(Brief.Software::programs).orElse(List.of());
        programs.forEach(this::runs);
        storage(programs);
    }

    private void add(Gap.Kind kind, List<String> subjects, String words, double is, double may) {
        gaps.add(new Gap(kind, subjects, Optional.empty(), words, is, may));
    }

    private void runs(Brief.Program program) {
        String words = program.name() + ", made for " + program.madeFor().words();
        OptionalDouble least = boards.known().stream()
                .map(c -> Emulation.slowdown(c.processor(), program.madeFor()))
                .flatMapToDouble(OptionalDouble::stream)
                .min();
        if (least.isEmpty() || (least.getAsDouble() > 1 && !boards.wellKnown())) {
            add(
                    boards.wellKnown() ? Gap.Kind.OTHER_PROCESSOR : Gap.Kind.UNKNOWN_PROCESSOR,
                    boards.ids(),
                    words,
                    Double.NaN,
                    Double.NaN);
            return;
        }
        double slowdown = least.getAsDouble();
        if (slowdown > program.slowest().orElse(1.0)) {
            add(
                    Gap.Kind.EMULATED,
                    boards.ids(),
                    words,
                    slowdown,
                    program.slowest().orElse(1.0));
        }
        program.memoryGb().ifPresent(own -> {
            double takes = Emulation.memoryGb(own, slowdown);
            boolean all = boards.known().stream().allMatch(c -> c.memoryGb().isPresent());
            double most = boards.known().stream()
                    .mapToDouble(c -> c.memoryGb().orElse(0.0))
                    .max()
                    .orElse(0);
            if (all && boards.wellKnown() && takes > most) {
                add(Gap.Kind.MEMORY, boards.ids(), program.name(), takes, most);
            }
        });
    }

    private void storage(List<Brief.Program> programs) {
        List<String> stores = new ArrayList<>(1);
        double has = 0;
        double fastest = 0;
        for (Part part : build.parts().list()) {
            Optional<Facet.Stores> store = part.facet(Facet.Stores.class);
            if (store.isPresent()) {
                stores.add(part.id());
                has += store.get().gigabytes();
                fastest = Math.max(fastest, store.get().readMbS());
            }
        }
        if (stores.isEmpty()) {
            return;
        }
        double takes =
                programs.stream().mapToDouble(p -> p.storageGb().orElse(0.0)).sum();
        if (takes > has) {
            add(Gap.Kind.STORAGE, stores, "", takes, has);
        }
        if (fastest < LEAST_READ_MB_S) {
            add(Gap.Kind.SLOW_STORAGE, stores, "", fastest, LEAST_READ_MB_S);
        }
    }
}
