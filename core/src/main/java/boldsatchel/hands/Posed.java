package boldsatchel.hands;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** The screens and keyboards of a machine in a posture, in the frame of the tray that stands; pieces beside it lie before it on the same table. */
final class Posed {

    final Posture posture;
    final Shell standing;
    final double tableZ;
    final List<Screen> screens = new ArrayList<>();
    final List<Keyboard> keyboards = new ArrayList<>();

    /**
     * A picture.
     *
     * @param middle of it
     * @param out where it faces, of length one
     * @param across its sides, of length one
     * @param up across both
     * @param areaMm2 of it
     * @param dotMm size of a dot as the system draws, a scale of the screen included
     */
    record Screen(String part, Vec middle, Vec out, Vec across, Vec up, double areaMm2, double dotMm) {}

    /**
     * Keys.
     *
     * @param pose of its part
     * @param top the middle of its upper side
     * @param out where that faces, of length one
     * @param belongs whether it hangs together with what stands
     */
    record Keyboard(Part part, Pose pose, Vec top, Vec out, boolean belongs) {
        /** The corners of its upper side. */
        List<Vec> corners() {
            Box b = part.body().bounds();
            return List.of(
                    pose.apply(new Vec(0, 0, b.dz())),
                    pose.apply(new Vec(b.dx(), 0, b.dz())),
                    pose.apply(new Vec(b.dx(), b.dy(), b.dz())),
                    pose.apply(new Vec(0, b.dy(), b.dz())));
        }

        /** The edge that is nearest to who sits before it. */
        double frontY() {
            return corners().stream().mapToDouble(Vec::y).min().orElse(0);
        }
    }

    Posed(Build build, Posture posture) {
        this.posture = posture;
        Casing casing = build.casing();
        standing = casing.standing().orElseThrow();
        tableZ = casing.tableZ();
        boolean shut = isShut(casing);
        for (Placement placement : build.layout().placements()) {
            Optional<Part> part = build.part(placement.part());
            if (part.isPresent() && casing.shell(placement.shell()).isPresent()) {
                boolean belongs = casing.belongs(placement.shell());
                Optional<Facet.ShowsPicture> shows =
                        part.get().facet(Facet.ShowsPicture.class).filter(s -> belongs);
                boolean isTyped = part.get().family() == Family.KEYBOARD && !(shut && belongs);
                if (shows.isPresent() || isTyped) {
                    Pose pose = placement
                            .pose(part.get().body().bounds())
                            .within(belongs ? casing.pose(placement.shell(), posture) : Pose.NONE);
                    shows.ifPresent(s -> add(part.get(), s, pose));
                    if (isTyped) {
                        add(part.get(), pose, belongs);
                    }
                }
            }
        }
    }

    /** Whether a machine that opens is closed. */
    private boolean isShut(Casing casing) {
        boolean opens = false;
        for (Joint joint : casing.joints()) {
            opens |= joint.facesDown();
        }
        return opens && posture.isClosed();
    }

    private void add(Part part, Facet.ShowsPicture shows, Pose pose) {
        Box picture = shows.picture();
        double area = picture.dx() * picture.dy();
        if (area > 0 && shows.widthPx() > 0 && shows.heightPx() > 0) {
            Vec middle = new Vec(
                    picture.centre().x(),
                    picture.centre().y(),
                    part.body().bounds().dz());
            screens.add(new Screen(
                    part.id(),
                    pose.apply(middle),
                    pose.direction(Vec.on(2, 1)),
                    pose.direction(Vec.on(0, 1)),
                    pose.direction(Vec.on(1, 1)),
                    area,
                    Math.sqrt(area / shows.widthPx() / shows.heightPx()) * shows.drawn()));
        }
    }

    private void add(Part part, Pose pose, boolean belongs) {
        Box b = part.body().bounds();
        Vec out = pose.direction(Vec.on(2, 1));
        if (out.z() > 0.3) {
            keyboards.add(new Keyboard(part, pose, pose.apply(new Vec(b.dx() / 2, b.dy() / 2, b.dz())), out, belongs));
        }
    }

    /** The screen that is looked at most: the largest. */
    Optional<Screen> main() {
        return screens.stream().max(Comparator.comparingDouble(Screen::areaMm2));
    }
}
