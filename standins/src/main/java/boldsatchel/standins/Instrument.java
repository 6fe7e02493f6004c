package boldsatchel.standins;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * An instrument that is told what to do in lines (SCPI-1999, IEEE 488.2): headers in their short or long form, several in a line with
 * semicolons between, and a queue of errors to ask for. What it can do is a table of headers. Not for several threads.
 */
final class Instrument {

    /** More errors than this are not kept (SCPI-1999, 21.8.1). */
    private static final int MOST_ERRORS = 16;

    /** Does something with what stands behind a header. */
    @FunctionalInterface
    interface Setting {
        /**
         * Takes it.
         *
         * @throws IllegalArgumentException where it cannot
         */
        void take(String argument);
    }

    private final String name;
    private final String identity;
    private final Map<String, Supplier<String>> questions = new LinkedHashMap<>();
    private final Map<String, Setting> settings = new LinkedHashMap<>();
    private final Deque<String> errors = new ArrayDeque<>();

    /**
     * An instrument that knows only who it is.
     *
     * @param name as people call it
     * @param model as it says itself
     */
    Instrument(String name, String model) {
        this.name = name;
        identity = "BENCH STAND-IN," + model + ",0,1.0";
        asked("*IDN", () -> identity);
        asked("*OPC", () -> "1");
        asked("SYSTem:ERRor", () -> errors.isEmpty() ? "0,\"No error\"" : errors.removeFirst());
        told("*CLS", a -> errors.clear());
    }

    String name() {
        return name;
    }

    /** It answers a question. */
    void asked(String header, Supplier<String> answer) {
        questions.put(header, answer);
    }

    /** It answers a question with a number. */
    void measures(String header, Supplier<Double> value) {
        asked(header, () -> String.format(Locale.ROOT, "%.6E", value.get()));
    }

    /** It does something. */
    void told(String header, Setting setting) {
        settings.put(header, setting);
    }

    /** It does something with a number. */
    void set(String header, java.util.function.DoubleConsumer setting) {
        told(header, argument -> {
            double value = Double.parseDouble(argument);
            if (!Double.isFinite(value)) {
                throw new IllegalArgumentException(argument);
            }
            setting.accept(value);
        });
    }

    /** It switches something. */
    void switches(String header, java.util.function.Consumer<Boolean> setting) {
        told(header, argument -> {
            switch (argument.toUpperCase(Locale.ROOT)) {
                case "ON", "1" -> setting.accept(true);
                case "OFF", "0" -> setting.accept(false);
                default -> throw new IllegalArgumentException(argument);
            }
        });
    }

    /** Takes a line; the answers to the questions in it, with semicolons between; nothing where none is asked. */
    Optional<String> line(String line) {
        StringBuilder answers = new StringBuilder();
        for (String command : line.split(";")) {
            String plain = command.strip();
            if (!plain.isEmpty()) {
                one(plain.startsWith(":") ? plain.substring(1) : plain)
                        .ifPresent(a ->
                                answers.append(answers.isEmpty() ? "" : ";").append(a));
            }
        }
        return answers.isEmpty() ? Optional.empty() : Optional.of(answers.toString());
    }

    private Optional<String> one(String command) {
        int space = command.indexOf(' ');
        String header = space < 0 ? command : command.substring(0, space);
        String argument = space < 0 ? "" : command.substring(space + 1).strip();
        boolean question = header.endsWith("?");
        String bare = question ? header.substring(0, header.length() - 1) : header;
        if (question) {
            Optional<Supplier<String>> answer = known(questions, bare);
            if (answer.isEmpty()) {
                error("-113,\"Undefined header\"");
            }
            return answer.map(Supplier::get);
        }
        Optional<Setting> setting = known(settings, bare);
        if (setting.isEmpty()) {
            error("-113,\"Undefined header\"");
        } else {
            try {
                setting.get().take(argument);
            } catch (IllegalArgumentException e) {
                error("-224,\"Illegal parameter value\"");
            }
        }
        return Optional.empty();
    }

    private void error(String error) {
        if (errors.size() < MOST_ERRORS) {
            errors.add(error);
        }
    }

    private static <T> Optional<T> known(Map<String, T> table, String header) {
        return table.entrySet().stream()
                .filter(e -> matches(e.getKey(), header))
                .map(Map.Entry::getValue)
                .findFirst();
    }

    /** Each word in its short form, the capitals, or its long one. */
    private static boolean matches(String known, String said) {
        String[] words = known.split(":");
        String[] spoken = said.split(":");
        if (words.length != spoken.length) {
            return false;
        }
        for (int i = 0; i < words.length; i++) {
            String brief = words[i].replaceAll("[a-z]", "");
            if (!spoken[i].equalsIgnoreCase(words[i]) && !spoken[i].equalsIgnoreCase(brief)) {
                return false;
            }
        }
        return true;
    }
}
