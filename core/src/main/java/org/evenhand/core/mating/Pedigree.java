package org.evenhand.core.mating;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.jspecify.annotations.Nullable;

/**
 * Who descends from whom. Grafted copies and sports are of the same genotype as what they were taken from.
 *
 * <p>Parents that are named but not listed, and parents that are unknown, are founders: unrelated to each other, not inbred.
 */
public final class Pedigree {
    private final Map<String, Member> members = new LinkedHashMap<>();
    private final Map<String, String> clones;
    /** Every genotype, parents before children. */
    private final List<String> inOrder;

    /**
     * A variety, tree or seedling.
     *
     * @param mother seed parent, where known
     * @param father pollen parent, where known
     * @param year when it was raised, where known
     */
    public record Member(String id, Optional<String> mother, Optional<String> father, Optional<Integer> year) {
        /** One whose year is not known; null for an unknown parent. */
        public static Member of(String id, @Nullable String mother, @Nullable String father) {
            return new Member(id, Optional.ofNullable(mother), Optional.ofNullable(father), Optional.empty());
        }

        /** One of whose parents nothing is known. */
        static Member unknown(String id) {
            return of(id, null, null);
        }

        Stream<String> parents() {
            return Stream.of(mother, father).flatMap(Optional::stream);
        }
    }

    private Pedigree(List<Member> listed, Map<String, String> clones) {
        this.clones = Map.copyOf(clones);
        for (Member m : listed) {
            Member resolved = new Member(
                    m.id(), m.mother().map(this::genotype), m.father().map(this::genotype), m.year());
            if (members.put(m.id(), resolved) != null) {
                throw new InvalidInputException("pedigree", "lists '" + m.id() + "' twice.");
            }
        }
        List.copyOf(members.values()).stream()
                .flatMap(Member::parents)
                .forEach(p -> members.putIfAbsent(p, Member.unknown(p)));
        this.inOrder = sorted();
        refuseOlderChildren();
    }

    /**
     * @param members in any order
     * @param clones from a copy's or sport's name to what it was taken from; may go over several steps
     * @throws PedigreeException when it runs in a loop
     * @throws InvalidInputException when somebody stands there twice or is older than a parent
     */
    public static Pedigree of(List<Member> members, Map<String, String> clones) {
        return new Pedigree(members, clones);
    }

    /** The genotype behind a name: its own, or that of what it was taken from. */
    public String genotype(String id) {
        Set<String> seen = new LinkedHashSet<>();
        String at = id;
        while (clones.containsKey(at)) {
            if (!seen.add(at)) {
                List<String> loop = new ArrayList<>(seen);
                loop.add(at);
                throw new PedigreeException(loop.subList(loop.indexOf(at), loop.size()));
            }
            at = clones.get(at);
        }
        return at;
    }

    Member member(String genotype) {
        Member found = members.get(genotype);
        return found == null ? Member.unknown(genotype) : found;
    }

    /** The genotypes given and all their ancestors, parents before children. */
    List<String> withAncestors(Stream<String> genotypes) {
        Set<String> wanted = new LinkedHashSet<>();
        Deque<String> open = new ArrayDeque<>(genotypes.toList());
        while (!open.isEmpty()) {
            String next = open.pop();
            if (wanted.add(next)) {
                member(next).parents().forEach(open::push);
            }
        }
        List<String> order =
                new ArrayList<>(inOrder.stream().filter(wanted::contains).toList());
        wanted.stream().filter(w -> !members.containsKey(w)).forEach(order::add);
        return order;
    }

    /** Every genotype, parents before children. */
    public List<String> inOrder() {
        return inOrder;
    }

    private List<String> sorted() {
        List<String> order = new ArrayList<>();
        Set<String> done = new LinkedHashSet<>();
        members.keySet().forEach(id -> visit(id, done, order));
        return List.copyOf(order);
    }

    /** Depth first without recursion: a pedigree may be thousands of generations deep. */
    private void visit(String start, Set<String> done, List<String> order) {
        Set<String> path = new LinkedHashSet<>();
        Deque<String> stack = new ArrayDeque<>(List.of(start));
        while (!stack.isEmpty()) {
            String id = stack.peek();
            if (done.contains(id)) {
                stack.pop();
            } else if (path.add(id)) {
                for (String parent : Require.present(members, id).parents().toList()) {
                    refuseLoop(path, parent);
                    stack.push(parent);
                }
            } else {
                stack.pop();
                path.remove(id);
                done.add(id);
                order.add(id);
            }
        }
    }

    private static void refuseLoop(Set<String> path, String parent) {
        if (path.contains(parent)) {
            List<String> way = new ArrayList<>(path);
            List<String> loop = new ArrayList<>(way.subList(way.indexOf(parent), way.size()));
            loop.add(parent);
            throw new PedigreeException(loop);
        }
    }

    private void refuseOlderChildren() {
        for (Member child : members.values()) {
            child.parents()
                    .map(members::get)
                    .filter(Objects::nonNull)
                    .filter(parent -> child.year().isPresent()
                            && parent.year().isPresent()
                            && child.year().get() < parent.year().get())
                    .findFirst()
                    .ifPresent(parent -> {
                        throw new InvalidInputException(
                                "pedigree",
                                "has '" + child.id() + "' (" + child.year().get() + ") older than its parent '"
                                        + parent.id() + "' (" + parent.year().get()
                                        + "). Correct a year or the parent.");
                    });
        }
    }
}
