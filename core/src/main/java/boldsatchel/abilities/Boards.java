package boldsatchel.abilities;

import boldsatchel.links.LinksResult;
import boldsatchel.links.Need;
import boldsatchel.links.Route;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Function;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Processor;
import boldsatchel.machine.Signal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The boards that programs run on; a carrier with a microcontroller is sold among them, and runs no system.
 *
 * @param list them
 * @param known what somebody said of each
 * @param used functions that the machine uses of each, by what is plugged in and built in
 */
public record Boards(List<Part> list, List<Facet.Computes> known, Map<String, Set<Function>> used) {

    /** The boards of a build. */
    public static Boards of(Build build, LinksResult links) {
        List<Part> list = new ArrayList<>(1);
        List<Facet.Computes> known = new ArrayList<>(1);
        for (Part part : build.parts().list()) {
            if (part.family().computes()) {
                Optional<Facet.Computes> computes = part.facet(Facet.Computes.class);
                if (computes.isEmpty() || computes.get().processor() != Processor.MICROCONTROLLER) {
                    list.add(part);
                    computes.ifPresent(known::add);
                }
            }
        }
        Map<String, Set<Function>> used = new LinkedHashMap<>();
        boolean sleeps = build.brief().profile().steps().stream().anyMatch(s -> s.mode() == Mode.SLEEP);
        for (Part board : list) {
            Set<Function> functions = EnumSet.noneOf(Function.class);
            board.facet(Facet.Computes.class).ifPresent(c -> functions.addAll(c.has()));
            if (sleeps) {
                functions.add(Function.SLEEP);
            }
            // Storage needs no driver that anybody doubts.
            functions.remove(Function.STORAGE);
            functions.removeIf(build.brief()::without);
            used.put(board.id(), functions);
        }
        for (Need need : links.needs()) {
            if (need.route().isPresent()) {
                Route r = need.route().get();
                Set<Function> functions = used.get(r.giver().part());
                if (functions != null) {
                    add(functions, need, r.given().signal().kind());
                }
            }
        }
        return new Boards(list, known, used);
    }

    private static void add(Set<Function> functions, Need need, Signal.Kind kind) {
        if (kind.picture()) {
            functions.add(Function.GRAPHICS);
        }
        if (kind == Signal.Kind.EDP || kind == Signal.Kind.LVDS || kind == Signal.Kind.DSI) {
            functions.add(Function.PANEL);
        }
        if (kind == Signal.Kind.LINE || kind == Signal.Kind.SPEAKER) {
            functions.add(Function.SOUND);
        }
        if (kind.logic()) {
            functions.add(Function.BUSES);
        }
        if (need.duty().equals("touch")) {
            functions.add(Function.TOUCH);
        }
    }

    /** Whether one of them has something built in. */
    boolean has(Function function) {
        return known.stream().anyMatch(c -> c.has().contains(function));
    }

    /** Whether somebody said of each what it is and has. */
    boolean wellKnown() {
        return known.size() == list.size();
    }

    List<String> ids() {
        return list.stream().map(Part::id).toList();
    }
}
