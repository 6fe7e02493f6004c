package boldsatchel.edit;

import boldsatchel.machine.Build;
import java.util.function.UnaryOperator;

/**
 * Something a builder does to a build.
 *
 * @param name as shown beside undo, starting with a verb: {@code move the battery}
 * @param change from the build before to the build after
 */
public record Edit(String name, UnaryOperator<Build> change) {}
