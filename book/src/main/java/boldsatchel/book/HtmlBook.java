package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Ink;
import boldsatchel.verdict.State;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Base64;
import java.util.List;
import java.util.Optional;

/** The book as one page for a browser: nothing is fetched for it and nothing runs in it; drawings are vectors, letters are embedded. */
final class HtmlBook {

    private final StringBuilder out = new StringBuilder();

    private HtmlBook() {}

    /** The page. */
    static String of(String title, List<Chapter> chapters, String footer) {
        HtmlBook book = new HtmlBook();
        book.head(title);
        book.out.append("<nav aria-label=\"Contents\"><ol>\n");
        for (int i = 0; i < chapters.size(); i++) {
            book.out.append("<li><a href=\"#c").append(i + 1).append("\">");
            book.text(chapters.get(i).title());
            book.out.append("</a></li>\n");
        }
        book.out.append("</ol></nav>\n<main>\n");
        for (int i = 0; i < chapters.size(); i++) {
            Chapter chapter = chapters.get(i);
            book.out.append("<section id=\"c").append(i + 1).append("\">\n");
            if (!(chapter.blocks().getFirst() instanceof Block.Title)) {
                book.element("h2", chapter.title());
            }
            chapter.blocks().forEach(book::put);
            book.out.append("</section>\n");
        }
        book.out.append("</main>\n<footer>");
        book.text(footer);
        book.out.append("</footer>\n</body>\n</html>\n");
        return book.out.toString();
    }

    private void head(String title) {
        out.append("<!DOCTYPE html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n");
        out.append("<meta name=\"viewport\" content=\"width=device-width, initial-scale=1\">\n");
        // No page of somebody else's and no script, even if words of the build tried to bring one in.
        out.append(
                "<meta http-equiv=\"Content-Security-Policy\" content=\"default-src 'none'; style-src 'unsafe-inline'; font-src data:\">\n");
        element("title", title);
        out.append("<style>\n");
        face("400", Typeface.REGULAR);
        face("700", Typeface.BOLD);
        out.append(style()).append("</style>\n</head>\n<body>\n");
    }

    private void face(String weight, Typeface face) {
        try (InputStream in = face.open()) {
            out.append("@font-face{font-family:B612;font-weight:")
                    .append(weight)
                    .append(";src:url(data:font/ttf;base64,")
                    .append(Base64.getEncoder().encodeToString(in.readAllBytes()))
                    .append(")}\n");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String style() {
        return """
                body{font:15px/1.5 B612,sans-serif;color:%s;background:%s;margin:0 auto;max-width:62rem;padding:1.5rem}
                h1{font-size:2rem;margin:.5rem 0}
                h2{font-size:1.4rem;border-bottom:1px solid;margin-top:3rem;padding-bottom:.2rem}
                h3{font-size:1.05rem;margin:1.6rem 0 .4rem}
                p{margin:.35rem 0}
                .soft,footer{color:%s;font-size:.9rem}
                .strong{font-weight:700}
                .indent{margin-left:1.4rem}
                .fine::before,.watch::before,.stop::before{display:inline-block;width:1.3em;font-weight:700}
                .fine::before{content:"●";color:%s}
                .watch::before{content:"◆";color:%s}
                .stop::before{content:"■";color:%s}
                table{border-collapse:collapse;width:100%%;font-size:.88rem;margin:.6rem 0}
                th,td{text-align:left;vertical-align:top;padding:.25rem .7rem .25rem 0;border-bottom:1px solid %s}
                .number{text-align:right;font-variant-numeric:tabular-nums}
                figure{margin:1rem 0}
                figure svg{max-width:100%%;height:auto}
                figcaption{font-size:.85rem;color:%s}
                .step{display:flex;gap:1rem;margin:.9rem 0;break-inside:avoid}
                .step figure{flex:0 0 14rem;margin:0}
                .step figure svg{width:100%%}
                details{margin:.5rem 0}
                summary{cursor:pointer;font-weight:700}
                footer{margin-top:3rem;border-top:1px solid %s;padding-top:.6rem}
                @media print{nav{display:none}section{break-before:page}details{display:block}}
                """.formatted(
                        Ink.INK.light(),
                        Ink.PAPER.light(),
                        Ink.SOFT.light(),
                        Ink.FINE.light(),
                        Ink.WATCH.light(),
                        Ink.STOP.light(),
                        Ink.FAINT.light(),
                        Ink.SOFT.light(),
                        Ink.FAINT.light());
    }

    private void put(Block block) {
        switch (block) {
            case Block.Title title -> element("h1", title.words());
            case Block.Heading heading -> element("h3", heading.words());
            case Block.Words words -> words(words);
            case Block.Rows rows -> rows(rows);
            case Block.Picture picture -> picture(picture.drawing(), true);
            case Block.Beside beside -> {
                out.append("<div class=\"step\">");
                beside.drawing().ifPresent(d -> picture(d, false));
                out.append("<div>");
                beside.words().forEach(this::words);
                out.append("</div></div>\n");
            }
            case Block.Folded folded -> {
                out.append("<details>");
                element("summary", folded.name());
                folded.words().forEach(this::words);
                out.append("</details>\n");
            }
        }
    }

    private void words(Block.Words words) {
        String tone = switch (words.tone()) {
            case PLAIN -> "";
            case SOFT -> " soft";
            case STRONG -> " strong";
        };
        String of = tone + (words.indent() ? " indent" : "") + state(words.state());
        out.append(of.isEmpty() ? "<p>" : "<p class=\"" + of.strip() + "\">");
        text(words.text());
        out.append("</p>\n");
    }

    private static String state(Optional<State> state) {
        return state.map(s -> switch (s) {
                    case FINE -> " fine";
                    case WATCH -> " watch";
                    case STOP -> " stop";
                })
                .orElse("");
    }

    private void rows(Block.Rows table) {
        out.append("<table>\n<thead><tr>");
        for (int i = 0; i < table.columns().size(); i++) {
            cell(
                    "th scope=\"col\"",
                    "th",
                    table.numbers().contains(i) ? "number" : "",
                    table.columns().get(i));
        }
        out.append("</tr></thead>\n<tbody>\n");
        for (Block.Row row : table.rows()) {
            out.append("<tr>");
            for (int i = 0; i < row.cells().size(); i++) {
                String of = (table.numbers().contains(i) ? "number" : "") + (i == 0 ? state(row.state()) : "");
                cell("td", "td", of.strip(), row.cells().get(i));
            }
            out.append("</tr>\n");
        }
        out.append("</tbody></table>\n");
    }

    private void cell(String open, String close, String of, String words) {
        out.append('<').append(open);
        if (!of.isEmpty()) {
            out.append(" class=\"").append(of).append('"');
        }
        out.append('>');
        text(words);
        out.append("</").append(close).append('>');
    }

    private void picture(Drawing drawing, boolean named) {
        String svg = SvgWriter.svg(drawing);
        out.append("<figure>").append(svg, svg.indexOf("<svg"), svg.length());
        if (named) {
            element("figcaption", drawing.title());
        }
        out.append("</figure>\n");
    }

    private void element(String name, String words) {
        out.append('<').append(name).append('>');
        text(words);
        out.append("</").append(name).append(">\n");
    }

    /** Words as they are to be read, whatever is in them. */
    private void text(String words) {
        Typeface.onOneLine(words).codePoints().forEach(c -> {
            switch (c) {
                case '&' -> out.append("&amp;");
                case '<' -> out.append("&lt;");
                case '>' -> out.append("&gt;");
                case '"' -> out.append("&quot;");
                default -> out.appendCodePoint(c);
            }
        });
    }
}
