package boldsatchel.desktop;

import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import org.testfx.api.FxRobot;
import org.testfx.robot.Motion;
import org.testfx.service.query.PointQuery;
import org.testfx.service.query.impl.CallableBoundsPointQuery;
import org.testfx.util.NodeQueryUtils;
import org.testfx.util.WaitForAsyncUtils;

/**
 * Looks for things and where they are on the window's own thread. Bounds are worked out when they are asked for: asked
 * for from the test's thread while the window lays itself out, both clear the same list, and the window fails.
 */
final class WindowRobot extends FxRobot {

    @Override
    public FxRobot clickOn(String query, Motion motion, MouseButton... buttons) {
        return clickOn(inSight(query), motion, buttons);
    }

    @Override
    public FxRobot doubleClickOn(String query, Motion motion, MouseButton... buttons) {
        return doubleClickOn(inSight(query), motion, buttons);
    }

    @Override
    public FxRobot moveTo(String query, Motion motion) {
        return moveTo(point(inSight(query)), motion);
    }

    @Override
    public PointQuery point(Node node) {
        targetWindow(node.getScene().getWindow());
        return new CallableBoundsPointQuery(
                        () -> there(() -> robotContext().getBoundsLocator().boundsOnScreenFor(node)), node)
                .atPosition(robotContext().getPointPosition());
    }

    private Node inSight(String query) {
        return there(() -> lookup(query).match(NodeQueryUtils.isVisible()).query());
    }

    private static <T> T there(Callable<T> look) {
        try {
            return WaitForAsyncUtils.asyncFx(look).get(20, TimeUnit.SECONDS);
        } catch (InterruptedException | ExecutionException | TimeoutException e) {
            throw new AssertionError(e);
        }
    }
}
