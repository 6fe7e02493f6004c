package boldsatchel.book;

import java.util.Locale;
import java.util.Set;

/** Names of files from the words that people use. */
final class Names {

    private static final int LONGEST = 48;

    private Names() {}

    /** A short name that no other file has, on systems that tell no case apart either. */
    static String free(String words, String ending, Set<String> taken) {
        String plain = words.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
        String stem = plain.substring(0, Math.min(plain.length(), LONGEST)).replaceAll("^-|-$", "");
        String name = stem + ending;
        for (int n = 2; taken.contains(name); n++) {
            name = stem + "-" + n + ending;
        }
        return name;
    }
}
