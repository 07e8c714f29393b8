// SPDX-License-Identifier: GPL-3.0-or-later
// "Take this room": the outline round a click in made cases.
#include "venue/rooms.h"

#include <numbers>

#include "catch2/catch.hpp"
#include "venue/wall.h"

using namespace yemvo;

namespace {

using Runs = std::vector<std::vector<Point>>;

std::vector<RoomEdge> edges(const Runs& runs, double half_m = 0.05) {
    std::vector<RoomEdge> out;
    for (const auto& run : runs)
        for (std::size_t i = 0; i + 1 < run.size(); ++i) out.push_back({{run[i], run[i + 1]}, half_m});
    return out;
}

std::vector<Point> box(double x0, double y0, double x1, double y1) {
    return {{x0, y0}, {x1, y0}, {x1, y1}, {x0, y1}, {x0, y0}};
}

/// Area of the room round a place between the faces; 0 in the open.
double room_m2(const Runs& runs, Point at, double gap_m = 0.3) {
    const auto room = RoomFinder(edges(runs), gap_m).at(at);
    return room ? area_m2(room->outline) : 0;
}

struct Case {
    const char* name;
    Runs runs;
    Point at;
    double wanted_m2;
};

}  // namespace

TEST_CASE("the room round a click is found") {
    // walls are 0.1 m thick: a room of 5 x 4 m between centre lines has 4.9 x 3.9 m
    const double plain = 4.9 * 3.9;
    const std::vector<Case> cases{
        {"one closed run", {box(0, 0, 5, 4)}, {2, 2}, plain},
        {"four walls",
         {{{0, 0}, {5, 0}}, {{5, 4}, {5, 0}}, {{0, 4}, {5, 4}}, {{0, 0}, {0, 4}}},
         {2, 2},
         plain},
        {"walls that run on beyond each other",
         {{{-1, 0}, {6, 0}}, {{5, -1}, {5, 5}}, {{-1, 4}, {6, 4}}, {{0, -1}, {0, 5}}},
         {2, 2},
         plain},
        {"a gap of 20 cm in a corner",
         {{{0, 0}, {5, 0}}, {{5, 0.2}, {5, 4}}, {{5, 4}, {0, 4}, {0, 0}}},
         {2, 2},
         plain},
        {"an end 15 cm short of a wall", {box(0, 0, 10, 4), {{5, 0}, {5, 3.85}}}, {2, 2}, plain},
        {"an end at the face of a wall", {box(0, 0, 10, 4), {{5, 0.05}, {5, 3.95}}}, {2, 2}, plain},
        {"a gap of 25 cm in the middle of a wall",
         {{{2, 0}, {0, 0}, {0, 4}, {5, 4}, {5, 0}, {2.25, 0}}},
         {2, 2},
         plain},
        {"two rooms side by side, left", {box(0, 0, 10, 4), {{5, 0}, {5, 4}}}, {2, 2}, plain},
        {"two rooms side by side, right", {box(0, 0, 10, 4), {{5, 0}, {5, 4}}}, {7, 2}, plain},
        {"a grid of four rooms", {box(0, 0, 10, 8), {{5, 0}, {5, 8}}, {{0, 4}, {10, 4}}}, {7, 6}, plain},
        {"walls drawn twice", {box(0, 0, 5, 4), {{0, 0}, {5, 0}}, {{1, 4}, {4, 4}}}, {2, 2}, plain},
        {"overlapping walls in line",
         {{{0, 0}, {3, 0}}, {{2, 0}, {5, 0}}, {{5, 0}, {5, 4}, {0, 4}, {0, 0}}},
         {2, 2},
         plain},
        {"a stub in the room", {box(0, 0, 5, 4), {{2, 0}, {2, 2}}}, {3, 2}, plain},
        {"a free-standing wall in the room", {box(0, 0, 5, 4), {{1, 1}, {2, 3}}}, {3, 2}, plain},
        {"an island in the room", {box(0, 0, 5, 4), box(2, 1, 3, 2)}, {1, 1}, plain},
        {"inside the island", {box(0, 0, 5, 4), box(2, 1, 3, 2)}, {2.5, 1.5}, 0.9 * 0.9},
        {"nested rooms, the outer", {box(0, 0, 10, 10), box(3, 3, 7, 7), box(4, 4, 5, 5)}, {1, 1}, 9.9 * 9.9},
        {"nested rooms, the middle",
         {box(0, 0, 10, 10), box(3, 3, 7, 7), box(4, 4, 5, 5)},
         {6, 6},
         3.9 * 3.9},
        {"nested rooms, the inner",
         {box(0, 0, 10, 10), box(3, 3, 7, 7), box(4, 4, 5, 5)},
         {4.5, 4.5},
         0.9 * 0.9},
        {"an L", {{{0, 0}, {6, 0}, {6, 3}, {3, 3}, {3, 6}, {0, 6}, {0, 0}}}, {1, 5}, 5.9 * 2.9 + 2.9 * 3.0},
        {"a triangle",
         {{{0, 0}, {6, 0}, {0, 8}, {0, 0}}},
         {1, 1},
         // legs 6 and 8, inner circle of radius 2: moved in by 0.05 it is the same shape at (2 - 0.05) / 2
         24 * (1.95 / 2) * (1.95 / 2)},
        {"askew", {{{0, 0}, {3, 4}, {-1, 7}, {-4, 3}, {0, 0}}}, {-0.5, 3.5}, 4.9 * 4.9},
        {"drawn clockwise", {{{0, 0}, {0, 4}, {5, 4}, {5, 0}, {0, 0}}}, {2, 2}, plain},
        {"a corridor", {box(0, 0, 40, 2), box(0, 2, 20, 6), box(20, 2, 40, 6)}, {35, 1}, 39.9 * 1.9},
        {"a room inside a corner of another",
         {box(0, 0, 10, 8), {{6, 8}, {6, 5}, {10, 5}}},
         {8, 6.5},
         3.9 * 2.9},
        {"the rest of that room",
         {box(0, 0, 10, 8), {{6, 8}, {6, 5}, {10, 5}}},
         {2, 2},
         9.9 * 7.9 - 4.0 * 3.0},
        {"two rooms that touch in a corner", {box(0, 0, 5, 4), box(5, 4, 10, 8)}, {7, 6}, plain},
        {"outside", {box(0, 0, 5, 4)}, {8, 2}, 0},
        {"open by more than the limit", {{{0.5, 0}, {5, 0}, {5, 4}, {0, 4}, {0, 0}}}, {2, 2}, 0},
        {"in the open beside a wall", {{{0, 0}, {5, 0}}}, {2, 1}, 0},
        {"tiny steps on a long wall",
         {{{0, 0}, {2, 0}, {2, 0.02}, {5, 0.02}, {5, 4}, {0, 4}, {0, 0}}},
         {2, 2},
         plain - 2.9 * 0.02},
    };
    CHECK(cases.size() >= 30);
    for (const Case& c : cases) {
        INFO(c.name);
        CHECK(room_m2(c.runs, c.at) == Approx(c.wanted_m2).epsilon(0.004).margin(0.02));
    }
}

TEST_CASE("rooms keep arcs and doors, and thick walls take more away than thin ones") {
    Wall round;
    round.points = {{-3, 0}, {3, 0}, {-3, 0}};
    round.bulges = {1, 1};
    std::vector<RoomEdge> circle;
    for_each_chord(round, [&](const Chord& c) { circle.push_back({c.line, 0.1}); });
    const auto room = RoomFinder(circle).at({0, 1});
    REQUIRE(room);
    CHECK(area_m2(room->outline) == Approx(std::numbers::pi * 2.9 * 2.9).epsilon(0.01));
    auto mixed = edges({box(0, 0, 5, 4)});
    mixed[1].half_m = 0.2;  // the right-hand wall
    CHECK(area_m2(RoomFinder(mixed).at({2, 2})->outline) == Approx((5 - 0.05 - 0.2) * 3.9));
}

TEST_CASE("the limit decides which gaps count, and what was bridged is told") {
    const Runs runs{{{0.9, 0}, {5, 0}, {5, 4}, {0, 4}, {0, 0}}};
    CHECK(room_m2(runs, {2, 2}, 0.3) == 0);
    CHECK(room_m2(runs, {2, 2}, 1.0) == Approx(4.9 * 3.9));
    const auto room = RoomFinder(edges(runs), 1.0).at({2, 2});
    REQUIRE(room->gaps.size() >= 1);
    CHECK(room->gaps[0].gap_m == Approx(0.85).margin(0.06));
    CHECK(RoomFinder(edges(runs), 0.3).loose_ends().size() == 2);
}

TEST_CASE("a floor of 10,000 wall pieces has all its rooms") {
    Runs runs;
    for (int i = 0; i <= 70; ++i) {
        runs.push_back({{0, i * 3.0}, {70 * 4.0, i * 3.0}});
        runs.push_back({{i * 4.0, 0}, {i * 4.0, 70 * 3.0}});
    }
    const RoomFinder rooms(edges(runs));
    CHECK(rooms.all().size() == 4900);
    CHECK(area_m2(rooms.at({41, 31})->outline) == Approx(3.9 * 2.9));
}
