package boldsatchel.format;

import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Posture;
import java.util.List;

/** Whether the joints of a case hang together: each on trays there are, one a tray, and never in a ring. */
final class CasingGate {

    private CasingGate() {}

    /**
     * Looks at the joints and postures of a case.
     *
     * @param at where the case is in the file
     */
    static void joints(Gates gates, String at, Casing casing) {
        List<Joint> joints = casing.joints();
        gates.once(joints.stream().map(Joint::id).toList(), i -> at + "/joints/" + i + "/id", "joints");
        for (int i = 0; i < joints.size(); i++) {
            Joint joint = joints.get(i);
            String where = at + "/joints/" + i;
            tray(gates, where + "/on", casing, joint.on());
            tray(gates, where + "/carries", casing, joint.carries());
            if (casing.carrying(joint.carries()).filter(joint::equals).isEmpty()) {
                gates.tell(where + "/carries", "Another joint carries this tray already; a tray hangs on one joint.");
            }
            if (casing.path(joint.carries()).isEmpty()) {
                gates.tell(where, "The joints hang on one another in a ring; one tray must hang on none.");
            }
        }
        for (int i = 0; i < casing.postures().size(); i++) {
            for (Posture.Setting setting : casing.postures().get(i).settings()) {
                if (casing.joint(setting.joint()).isEmpty()) {
                    gates.tell(
                            at + "/postures/" + i,
                            "There is no joint with the id “" + setting.joint() + "”; name one of the joints.");
                }
            }
        }
    }

    private static void tray(Gates gates, String where, Casing casing, String id) {
        if (casing.shell(id).isEmpty()) {
            gates.tell(where, "There is no shell with the id “" + id + "”; name one of the shells.");
        }
    }
}
