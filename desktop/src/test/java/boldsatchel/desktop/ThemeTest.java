package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.desktop.desk.Commands;
import boldsatchel.drawing.Ink;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The style sheet's tokens agree with the inks of the drawings, and commands are found. */
public class ThemeTest {

    private static Map<String, String> tokens(String rule) throws IOException {
        try (InputStream in = Objects.requireNonNull(App.class.getResourceAsStream("satchel.css"))) {
            String css = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            int from = css.indexOf(rule);
            String block = css.substring(from, css.indexOf('}', from));
            Map<String, String> tokens = new HashMap<>();
            Matcher token = Pattern.compile("(-[a-z-]+): (#[0-9a-f]{6});").matcher(block);
            while (token.find()) {
                tokens.put(token.group(1), token.group(2));
            }
            return tokens;
        }
    }

    @DataProvider
    Object[][] inks() {
        return new Object[][] {
            {"-ink", Ink.INK},
            {"-soft", Ink.SOFT},
            {"-sheet", Ink.PAPER},
            {"-accent", Ink.ACCENT},
            {"-fine", Ink.FINE},
            {"-watch", Ink.WATCH},
            {"-stop", Ink.STOP}
        };
    }

    @Test(dataProvider = "inks")
    public void tokensAndInksAreOneSetOfColours(String token, Ink ink) throws IOException {
        assertThat(tokens(".root {")).containsEntry(token, ink.light());
        assertThat(tokens(".frame:dark {")).containsEntry(token, ink.dark());
    }

    @Test
    public void commandsAreFoundByAnyOfTheirWords() {
        Commands commands = new Commands(() -> {});
        commands.add("Save the build", "Shortcut+S", () -> {});
        commands.add("Save the build under another name", () -> {});
        commands.add("Add a fan", () -> {});
        assertThat(commands.search("build save")).hasSize(2);
        assertThat(commands.search("FAN")).extracting(Commands.Command::name).containsExactly("Add a fan");
        assertThat(commands.search("")).hasSize(3);
        assertThat(commands.search("nothing like it")).isEmpty();
        assertThat(commands.all().getFirst().keys()).isPresent();
        assertThat(commands.all().getLast().keys()).isEqualTo(Optional.empty());
    }
}
