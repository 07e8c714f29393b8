// SPDX-License-Identifier: GPL-3.0-or-later
// Places by a building's axes, worked out by hand.
#include "venue/axis_grid.h"

#include "core/support.h"
#include "project/json_project.h"
#include "project/rules.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

/// A to E every 6 m but the last field, which has 5; 1 to 3 every 8 m; A1 is at (10, 20).
AxisGrid grid(double turn_deg = 0) { return {{10, 20}, turn_deg, {6, 6, 6, 5}, {8, 8}}; }

}  // namespace

TEST_CASE("letters go on without I and O, and after Z") {
    CHECK(axis_letter(0) == "A");
    CHECK(axis_letter(7) == "H");
    CHECK(axis_letter(8) == "J");
    CHECK(axis_letter(13) == "P");
    CHECK(axis_letter(23) == "Z");
    CHECK(axis_letter(24) == "AA");
    CHECK(axis_letter(25) == "AB");
    CHECK(axis_letter(48) == "BA");
}

TEST_CASE("a place is told by the nearest crossing and how far past it") {
    CHECK(axis_text(axis_place(grid(), {10, 20})) == "A1");
    CHECK(axis_text(axis_place(grid(), {22, 28})) == "C2");
    CHECK(axis_text(axis_place(grid(), {23.2, 27.5})) == "C2 +1.20 -0.50");
    CHECK(axis_text(axis_place(grid(), {100, 100})) == "E3 +67.00 +64.00");
    // letters go north, numbers west
    CHECK(axis_text(axis_place(grid(90), {2, 32})) == "C2");
    CHECK(distance(place_of(grid(90), {2, 1, 0, 0}), {2, 32}) < 1e-9);
}

TEST_CASE("what is told is found again") {
    for (const double turn_deg : {0.0, 17.0, -120.0})
        for (const Point at : {Point{11.37, 25.02}, {40, 1}, {10, 20}, {-3.33, 36}}) {
            const std::string text = axis_text(axis_place(grid(turn_deg), at));
            INFO(text);
            const auto found = find_axis_place(grid(turn_deg), text);
            REQUIRE(found);
            CHECK(distance(*found, at) < 0.0075);  // told to the centimetre, each way
        }
    CHECK(find_axis_place(grid(), "c2") == Point{22, 28});
    CHECK(find_axis_place(grid(), " C / 2 ") == Point{22, 28});
    CHECK(find_axis_place(grid(), "C2+1-.5") == Point{23, 27.5});
    for (const char* none : {"", "C", "2", "F1", "A4", "A0", "I1", "C2 +1", "C2 1 2", "C2 +1 -1 x",
                             "C2 ++1 -1", "AAA1", "C-2", "C2 +nan +1"})
        CHECK_FALSE(find_axis_place(grid(), none));
    CHECK_FALSE(find_axis_place({}, "A1"));
}

TEST_CASE("distances are typed as drawings have them") {
    const auto read = [](const char* text) { return read_spacings(text, LengthUnits::metres); };
    CHECK(read("6 x 7.2; 5") == std::vector<double>{7.2, 7.2, 7.2, 7.2, 7.2, 7.2, 5});
    CHECK(read("8.1") == std::vector<double>{8.1});
    CHECK(read("2*400 cm;4;") == std::vector<double>{4, 4, 4});
    CHECK(read("").empty());
    CHECK(read_spacings("2 x 24'", LengthUnits::feet_inches).at(1) == Approx(24 * 0.3048));
    for (const char* none : {"x", "0 x 5", "2.5 x 5", "5 x", "9999 x 1", "5 5", "nan"}) {
        INFO(none);
        CHECK_THROWS_AS(read(none), Error);
    }
    for (const char* text : {"6 x 7.20; 5.00", "8.12", "2 x 4.00; 4.50; 3 x 4.00"})
        CHECK(spacings_text(read(text), LengthUnits::metres) == text);
    CHECK(spacings_text({7.3152, 7.3152}, LengthUnits::feet_inches) == "2 x 24' 0\"");
}

TEST_CASE("axes are kept in files, and refused where they cannot be") {
    Project p = one_floor();
    p.buildings[0].axes = grid(12.5);
    CHECK(project_from_json(project_to_json(p)) == p);
    for (const AxisGrid& bad :
         {AxisGrid{{0, 0}, 0, {6, 0.01}, {8}}, AxisGrid{{0, 0}, 0, {6}, {}}, AxisGrid{{1e9, 0}, 0, {6}, {8}},
          AxisGrid{{0, 0}, 0, std::vector<double>(501, 1.0), {8}}}) {
        Building b = p.buildings[0];
        b.axes = bad;
        CHECK_THROWS_AS(check(b), RuleBroken);
    }
}
