package dev.lastcut.core.strip;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Connections;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.formats.table.Designators;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * What a strip board must connect.
 *
 * @param parts by designator, in their usual order
 * @param nets the pins of each net, by its name
 * @param problems what of the connections cannot be used, in sentences
 */
public record StripCircuit(
        Map<String, StripPart> parts, Map<String, List<Pin>> nets, List<String> problems) {
    /** A pin of a part. */
    public record Pin(String part, String pin) implements Comparable<Pin> {
        @Override
        public int compareTo(Pin other) {
            return Comparator.comparing(Pin::part, Designators.ORDER)
                    .thenComparing(Pin::pin, Designators.ORDER)
                    .compare(this, other);
        }

        public String describe() {
            return part + "." + pin;
        }
    }

    public StripCircuit {
        parts = Collections.unmodifiableMap(new LinkedHashMap<>(parts));
        nets = Collections.unmodifiableMap(new LinkedHashMap<>(nets));
        problems = List.copyOf(problems);
    }

    public static final StripCircuit NONE = new StripCircuit(Map.of(), Map.of(), List.of());

    /**
     * The circuit of a board's connections or netlist, with the lead forms of its parts.
     *
     * @param own lead forms the user described, by designator
     */
    public static StripCircuit of(Board board, Map<String, LeadForm> own) {
        return new Reader(board, own).read();
    }

    /** The net of each pin. */
    public Map<Pin, String> netOfPin() {
        Map<Pin, String> all = new TreeMap<>();
        nets.forEach((net, pins) -> pins.forEach(p -> all.put(p, net)));
        return all;
    }

    /** Reads a circuit; used once. */
    private static final class Reader {
        private final Board board;
        private final Map<String, LeadForm> own;
        private final List<String> problems = new ArrayList<>();
        private final Map<String, TreeSet<String>> pins = new TreeMap<>(Designators.ORDER);
        private final Map<String, List<Pin>> nets = new LinkedHashMap<>();
        private final Map<Pin, String> taken = new TreeMap<>();

        Reader(Board board, Map<String, LeadForm> own) {
            this.board = board;
            this.own = own;
        }

        StripCircuit read() {
            Map<String, ListedPart> listed = new TreeMap<>(Designators.ORDER);
            board.parts()
                    .ifPresent(
                            list ->
                                    list.stream()
                                            .filter(ListedPart::fitted)
                                            .forEach(p -> listed.put(p.designator(), p)));
            if (board.connections().isPresent()) {
                problems.addAll(board.connections().get().faults());
                for (Connections.Row row : board.connections().get().rows()) {
                    row.pins().forEach(p -> join(row.net(), p.part(), p.pin()));
                }
            } else {
                for (Netlist.Point p : board.netlist().map(Netlist::points).orElse(List.of())) {
                    if (p.isPin() && !p.net().isEmpty()) {
                        join(p.net(), p.component(), p.pin());
                    } else if (p.isPin()) {
                        pins.computeIfAbsent(p.component(), k -> new TreeSet<>(Designators.ORDER))
                                .add(p.pin());
                    }
                }
            }
            if (!listed.isEmpty()) {
                unlisted(listed);
            }
            Map<String, StripPart> parts = new LinkedHashMap<>();
            pins.forEach((name, its) -> parts.put(name, part(name, its, listed.get(name))));
            nets.values().forEach(Collections::sort);
            return new StripCircuit(parts, nets, problems);
        }

        /**
         * Parts that only the connections name: left out where the list says they are not fitted.
         */
        private void unlisted(Map<String, ListedPart> listed) {
            List<String> notFitted =
                    board.parts().orElse(List.of()).stream()
                            .filter(p -> !p.fitted())
                            .map(ListedPart::designator)
                            .toList();
            for (String name : List.copyOf(pins.keySet())) {
                if (notFitted.contains(name)) {
                    pins.remove(name);
                    nets.values().forEach(n -> n.removeIf(p -> p.part().equals(name)));
                } else if (!listed.containsKey(name)) {
                    problems.add(
                            name
                                    + " is connected but not in the parts list. Add it to the list,"
                                    + " or correct its designator in the connections.");
                }
            }
            nets.values().removeIf(List::isEmpty);
        }

        private void join(String net, String part, String pin) {
            Pin p = new Pin(part, pin);
            String had = taken.putIfAbsent(p, net);
            if (had != null && !had.equals(net)) {
                problems.add(
                        "%s is in two nets, %s and %s. Correct the connections."
                                .formatted(p.describe(), had, net));
                return;
            }
            pins.computeIfAbsent(part, k -> new TreeSet<>(Designators.ORDER)).add(pin);
            if (had == null) {
                nets.computeIfAbsent(net, k -> new ArrayList<>()).add(p);
            }
        }

        private StripPart part(String name, TreeSet<String> its, ListedPart listed) {
            String footprint = listed == null ? "" : listed.footprint();
            String value = listed == null ? "" : listed.value();
            Optional<LeadForm> form = Optional.ofNullable(own.get(name));
            boolean assumed = false;
            if (form.isEmpty()) {
                form = LeadForms.of(footprint, name, leads(its));
            }
            if (form.isEmpty() && footprint.isBlank()) {
                form = LeadForms.usual(name, leads(its));
                assumed = form.isPresent();
            }
            if (form.isEmpty()) {
                problems.add(
                        footprint.isBlank()
                                ? name
                                        + " has no footprint and "
                                        + its.size()
                                        + " pins: say which package it has."
                                : "%s: nothing is known of the leads of “%s”. Describe its leads at Strips, or name a leaded package in the parts list."
                                        .formatted(name, footprint));
                return new StripPart(name, value, footprint, List.copyOf(its), form, false);
            }
            return new StripPart(
                    name, value, footprint, pinsOf(name, its, form.get()), form, assumed);
        }

        /** How many leads a part has at least, by its pins. */
        private static int leads(TreeSet<String> its) {
            int highest =
                    its.stream()
                            .filter(p -> p.matches("\\d{1,3}"))
                            .mapToInt(Integer::parseInt)
                            .max()
                            .orElse(0);
            return Math.max(highest, its.size());
        }

        /** The pins in the order of the leads, with numbers for those that nothing names. */
        private List<String> pinsOf(String name, TreeSet<String> its, LeadForm form) {
            int leads = form.leads();
            boolean numbered = its.stream().allMatch(p -> p.matches("\\d{1,3}"));
            if (numbered && its.stream().allMatch(p -> number(p) >= 1 && number(p) <= leads)) {
                List<String> all = new ArrayList<>();
                for (int i = 1; i <= leads; i++) {
                    all.add(String.valueOf(i));
                }
                return all;
            }
            if (its.size() > leads || numbered) {
                problems.add(
                        "%s has pin %s in the connections, but a %s has %d leads. Correct the pin or the footprint."
                                .formatted(name, its.last(), form.name(), leads));
                return List.copyOf(its);
            }
            if (leads > 2) {
                problems.add(
                        "%s: which lead of the %s each of the pins %s is cannot be determined. Number the pins as the data sheet does."
                                .formatted(name, form.name(), String.join(", ", its)));
                return List.copyOf(its);
            }
            // Two leads can be told from each other by name alone: either may stand anywhere.
            List<String> two = new ArrayList<>(its);
            if (two.size() < leads) {
                two.add(two.contains("2") ? "1" : "2");
            }
            return two;
        }

        private static int number(String pin) {
            return Integer.parseInt(pin);
        }
    }
}
