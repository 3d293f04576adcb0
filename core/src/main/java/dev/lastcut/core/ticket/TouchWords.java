package dev.lastcut.core.ticket;

import dev.lastcut.core.touch.Step;
import dev.lastcut.core.touch.Touch;
import java.util.ArrayList;
import java.util.List;

/** Says in words what is other about the touches. */
final class TouchWords {
    private TouchWords() {}

    static void changed(List<Step> before, List<Step> after, List<String> all) {
        if (before.equals(after)) {
            return;
        }
        List<Touch> was = touches(before);
        List<Touch> now = touches(after);
        List<Touch> added = new ArrayList<>(now);
        was.forEach(added::remove);
        List<Touch> taken = new ArrayList<>(was);
        now.forEach(taken::remove);
        if (added.size() == 1 && taken.size() == 1 && was.size() == now.size()) {
            all.add("touch changed: " + words(added.get(0)));
            return;
        }
        added.forEach(t -> all.add("touch: " + words(t)));
        taken.forEach(t -> all.add("without the touch: " + words(t)));
        if (added.isEmpty() && taken.isEmpty()) {
            int switched = all.size();
            for (Step s : after) {
                if (!before.contains(s)) {
                    all.add((s.on() ? "switched on: " : "switched off: ") + words(s.touch()));
                }
            }
            if (all.size() == switched) {
                all.add("touches in another order");
            }
        }
    }

    private static String words(Touch t) {
        String w = t.words();
        boolean name = w.length() > 1 && Character.isUpperCase(w.charAt(1));
        return name || w.isEmpty() ? w : Character.toLowerCase(w.charAt(0)) + w.substring(1);
    }

    private static List<Touch> touches(List<Step> steps) {
        return steps.stream().map(Step::touch).toList();
    }
}
