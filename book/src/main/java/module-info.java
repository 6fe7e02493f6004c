import org.jspecify.annotations.NullMarked;

/** Documents and exports made from a build and its evaluation. */
@NullMarked
module boldsatchel.book {
    requires transitive boldsatchel.core;
    requires static org.jspecify;
    requires java.xml;
    requires java.desktop;
    requires org.apache.pdfbox;
    requires org.apache.fontbox;
    requires org.apache.pdfbox.io;
    requires org.apache.commons.csv;
    // PDFBox logs through it without saying so in a module descriptor.
    requires org.apache.commons.logging;

    exports boldsatchel.book;
}
