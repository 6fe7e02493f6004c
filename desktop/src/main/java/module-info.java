import org.jspecify.annotations.NullMarked;

/** The window and the command line. */
@NullMarked
module boldsatchel.desktop {
    requires boldsatchel.core;
    requires boldsatchel.book;
    requires boldsatchel.standins;
    requires static org.jspecify;
    requires javafx.controls;
    requires javafx.swing;
    requires java.desktop;
    requires atlantafx.base;
    requires info.picocli;
    requires dev.dirs;
    requires com.fazecast.jSerialComm;
    requires org.slf4j;
    requires ch.qos.logback.classic;

    exports boldsatchel.desktop to
            javafx.graphics;

    opens boldsatchel.desktop to
            info.picocli;
}
