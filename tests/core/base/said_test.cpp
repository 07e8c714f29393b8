// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/said.h"

#include "base/error.h"

using namespace yemvo;

TEST_CASE("a sentence is a pattern and its values, written in English where nobody translates it") {
    const Said gap = say("%1 has a gap of %2", std::string("Lobby"), said_length(0.08, LengthUnits::metres));
    CHECK(gap == "Lobby has a gap of 0.08 m");
    CHECK(gap.pattern() == "%1 has a gap of %2");
    REQUIRE(gap.values().size() == 2);
    CHECK(gap.values()[1].kind() == Said::Kind::length);
    CHECK(say("a gap of %1", said_length(3.81, LengthUnits::feet_inches)) == "a gap of 12' 6\"");
    CHECK(say("share %1", said_area(12.4, LengthUnits::metres)) == "share 12 m²");
    CHECK(say("%1 dBm", said_figure(-67.3, 1)) == "−67.3 dBm");
    CHECK(say("as it stands") == "as it stands");
}

TEST_CASE("a value that looks like a place for a value stays what it is") {
    CHECK(say("%1 under %2", std::string("50%2 screen"), std::string("%n")) == "50%2 screen under %n");
    CHECK(say("100 % of %1", std::string("it")) == "100 % of it");
    CHECK(filled("%3 and %", {"one"}) == "%3 and %");
}

TEST_CASE("one thing and several things are sentences of their own") {
    CHECK(say_counted("%n wall of %1", "%n walls of %1", 1, std::string("A")) == "1 wall of A");
    CHECK(say_counted("%n wall of %1", "%n walls of %1", 7, std::string("A")) == "7 walls of A");
    CHECK(say_counted("%n wall", "%n walls", 0) == "0 walls");
}

TEST_CASE("parts stand beside each other, empty ones leave no gap; the first has a capital") {
    CHECK(said_joined(": ", std::string("plan.png"), say("is empty")) == "plan.png: is empty");
    CHECK(said_joined(", ", Said(), say("one"), Said(), say("two")) == "one, two");
    CHECK(said_first(say("zone %1", std::string("lobby"))) == "Zone lobby");
    CHECK(said_first(Said()) == "");
}

TEST_CASE("a name is cut, the sentence round it is not") {
    const Said cut = said_shortened(say("the floor with the very long name %1", std::string(300, 'x')), 20);
    CHECK(cut.english().size() < 70);
    CHECK(cut.english().starts_with("the floor with the very long name xxx"));
}

TEST_CASE("an error tells place, fault and remedy as far as there are any") {
    CHECK(Error(say("is empty")).told() == "is empty");
    CHECK(Error(say("is empty"), {}, say("Choose another")).told() == "is empty. Choose another");
    CHECK(Error(say("is empty"), std::string("p.png")).told() == "p.png: is empty");
    CHECK(std::string(Error(say("more than %1", 5)).what()) == "more than 5");
}
