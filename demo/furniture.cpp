// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/furniture.h"

#include <cmath>
#include <numbers>

namespace yemvo::demo {
namespace {

struct Room {
    Furniture f;

    void rect(double x0, double y0, double x1, double y1) {
        f.outlines.push_back({{x0, y0}, {x1, y0}, {x1, y1}, {x0, y1}});
    }
    void line(Point a, Point b) { f.lines.push_back({a, b}); }
    void label(double x, double y, const char* name, double area_m2) {
        f.labels.push_back({{x, y}, name, area_m2});
    }
    void chair(Point at) { rect(at.x - 0.24, at.y - 0.24, at.x + 0.24, at.y + 0.24); }
    /// A table with chairs along both long sides (long along x when w > h).
    void table(double x, double y, double w, double h, int seats) {
        rect(x - w / 2, y - h / 2, x + w / 2, y + h / 2);
        for (int i = 0; i < seats; ++i) {
            const double t = (i + 0.5) / seats - 0.5;
            for (double side : {-1.0, 1.0}) {
                if (w > h)
                    chair({x + t * w, y + side * (h / 2 + 0.38)});
                else
                    chair({x + side * (w / 2 + 0.38), y + t * h});
            }
        }
    }
    void round_table(double x, double y, int seats) {
        f.circles.push_back({{x, y}, 0.5});
        for (int i = 0; i < seats; ++i) {
            const double a = 2 * std::numbers::pi * i / seats + 0.6;
            f.circles.push_back({{x + 0.95 * std::cos(a), y + 0.95 * std::sin(a)}, 0.23});
        }
    }
    void shelf(double x0, double y0, double x1, double y1) {
        rect(x0, y0, x1, y1);
        const bool upright = y1 - y0 > x1 - x0;
        const double from = upright ? y0 : x0, to = upright ? y1 : x1;
        for (double at = from + 1; at < to - 0.2; at += 1)
            upright ? line({x0, at}, {x1, at}) : line({at, y0}, {at, y1});
    }
    void stairs(double x0, double y0, double x1, double y1) {
        const double half = (y0 + y1) / 2;
        for (double x = x0 + 1.1; x <= x1 - 0.9; x += 0.28) line({x, y0}, {x, y1});
        line({x0 + 1.1, half}, {x1 - 0.9, half});
        line({x0 + 0.6, half - 0.9}, {x1 - 0.6, half - 0.9});
    }
    void lift(double x0, double y0, double x1, double y1) {
        rect(x0, y0, x1, y1);
        line({x0, y0}, {x1, y1});
        line({x0, y1}, {x1, y0});
    }
    void toilets(double x0, double y0, int count, double step) {
        for (int i = 0; i < count; ++i) {
            const double x = x0 + i * step;
            line({x, y0}, {x, y0 - 1.6});
            f.circles.push_back({{x + step / 2, y0 - 0.45}, 0.22});
            rect(x + step / 2 - 0.22, y0 - 0.22, x + step / 2 + 0.22, y0);
        }
        line({x0, y0 - 1.6}, {x0 + count * step, y0 - 1.6});
        for (int i = 0; i < count; ++i) f.circles.push_back({{x0 + (i + 0.5) * step, y0 - 4.2}, 0.2});
        line({x0, y0 - 3.9}, {x0 + count * step, y0 - 3.9});
    }
    void core() {
        stairs(24.3, 20.3, 29.3, 23.7);
        lift(29.9, 20.5, 31.9, 23.5);
        lift(32.6, 20.5, 34.6, 23.5);
        toilets(24.6, 28.8, 4, 1.15);
        toilets(30.0, 28.8, 4, 1.15);
    }
};

}  // namespace

Furniture ground_furniture() {
    Room r;
    r.core();
    // café
    for (int column = 0; column < 3; ++column)
        for (int row = 0; row < 3; ++row) r.round_table(2.6 + 3.6 * column + 1.2, 22.2 + 2.7 * row, 4);
    r.rect(8.2, 30.3, 14.6, 31.1);
    r.rect(8.2, 31.1, 9.0, 33.6);
    r.label(11.3, 33.2, "CAFÉ", 204.3);
    r.rect(0.6, 33.6, 5.9, 34.4);
    r.rect(0.6, 30.2, 1.3, 32.8);
    r.label(3.6, 31.9, "KITCHEN", 35.8);
    // children
    for (double x : {6.6, 9.4}) r.round_table(x, 8.2, 5);
    r.f.circles.push_back({{8.0, 3.0}, 1.9});
    r.f.circles.push_back({{8.0, 3.0}, 1.2});
    r.shelf(0.5, 1, 0.95, 5);
    r.shelf(1, 13.3, 9, 13.75);
    r.label(8, 11.8, "CHILDREN", 224.0);
    // foyer
    r.rect(33, 13.4, 39.5, 14.3);
    r.rect(38.6, 14.3, 39.5, 17.2);
    r.chair({35, 15});
    r.chair({37, 15});
    for (double y : {10.5, 13.0, 15.5})
        for (double x : {20.2, 30.6}) r.rect(x - 0.45, y - 0.95, x + 0.45, y + 0.95);
    r.f.circles.push_back({{25.5, 13}, 1.7});
    r.f.circles.push_back({{25.5, 13}, 1.0});
    r.shelf(18.2, 22, 18.7, 33);
    r.shelf(20.6, 22, 21.1, 33);
    r.shelf(37.2, 22, 37.7, 33);
    r.shelf(40.2, 22.6, 40.7, 29);
    r.label(26, 5.8, "FOYER", 876.0);
    r.label(19.6, 20.8, "NEW BOOKS", 96.0);
    // auditorium
    for (int row = 0; row < 10; ++row)
        for (int seat = 0; seat < 20; ++seat) {
            const double across = (seat - 9.5) * 0.62 + (seat < 10 ? -0.55 : 0.55);
            const double y = 18.8 + row * 0.98 + 0.004 * across * across * row * 0.6;
            r.rect(51.5 + across - 0.24, y - 0.24, 51.5 + across + 0.24, y + 0.24);
        }
    r.f.lines.push_back(
        {{44.6, 34.6}, {44.6, 31.2}, {47.5, 30.2}, {51.5, 29.9}, {55.5, 30.2}, {58.4, 31.2}, {58.4, 34.6}});
    r.rect(49.6, 33.9, 53.4, 34.1);
    r.rect(46.6, 31.9, 47.4, 32.5);
    r.label(51.5, 32.3, "AUDITORIUM, 200 SEATS", 306.0);
    // staff
    for (int i = 0; i < 3; ++i) {
        r.table(45.6 + 0.2, 2.2 + 2.9 * i, 1.6, 0.8, 1);
        r.table(49.2, 2.2 + 2.9 * i, 1.6, 0.8, 1);
    }
    for (int i = 0; i < 2; ++i) {
        r.table(54.6, 2.4 + 3.4 * i, 1.6, 0.8, 1);
        r.table(57.4, 2.4 + 3.4 * i, 1.6, 0.8, 1);
    }
    r.label(47.5, 9.7, "STAFF", 99.0);
    r.label(56, 9.7, "POST ROOM", 88.0);
    r.rect(43.5, 14.6, 44.2, 16.6);
    r.rect(45.9, 11.5, 46.6, 13.4);
    r.label(45, 13.9, "EQUIPMENT", 24.0);
    r.label(53.5, 14, "PASSAGE", 78.0);
    return r.f;
}

Furniture first_furniture() {
    Room r;
    r.core();
    // reading room
    for (double x : {4.2, 8.6, 12.8})
        for (double y : {5.0, 13.0, 22.5, 30.5}) r.table(x, y, 1.2, 4.4, 5);
    r.label(8.4, 26.6, "READING ROOM, 120 SEATS", 560.0);
    // void
    r.line({19, 9}, {32, 17});
    r.line({19, 17}, {32, 9});
    r.label(25.5, 14.6, "VOID OVER FOYER", 104.0);
    // stacks
    for (int row = 0; row < 9; ++row) r.shelf(41.2 + 2.1 * row - 0.3, 25.4, 41.2 + 2.1 * row + 0.3, 33.6);
    r.label(49.6, 24.6, "BOOK STACKS", 253.0);
    // study rooms
    for (int i = 0; i < 7; ++i) {
        r.table(16 + 6.2857 * i + 3.0, 2.6, 2.6, 1.1, 3);
        r.label(16 + 6.2857 * i + 2.2, 4.7, ("STUDY " + std::to_string(i + 1)).c_str(), 35.2);
    }
    // local history, office
    for (double y : {9.2, 13.0, 16.8}) r.table(52.6, y, 3.4, 1.1, 4);
    r.shelf(58.9, 7, 59.4, 19);
    r.label(52.4, 19.4, "LOCAL HISTORY", 223.5);
    r.table(39.4, 11.2, 1.6, 0.8, 1);
    r.table(42.4, 11.2, 1.6, 0.8, 1);
    r.shelf(37, 15.7, 43, 16.1);
    r.label(38.9, 15.0, "OFFICE", 63.8);
    // landing
    r.rect(33.6, 18.2, 37.6, 19.0);
    for (double x : {18.4, 21.2}) r.round_table(x, 30.8, 4);
    r.label(20, 27, "LANDING", 404.0);
    return r.f;
}

Furniture second_furniture() {
    Room r;
    r.core();
    // offices: a pair of desks and a cupboard each
    for (double x : {39.0, 45.0, 51.0, 57.0}) {
        for (double y : {3.2, 6.4}) {
            r.rect(x - 1.6, y - 0.4, x - 0.05, y + 0.4);
            r.rect(x + 0.05, y - 0.4, x + 1.6, y + 0.4);
            r.chair({x - 0.8, y - 0.75});
            r.chair({x + 0.8, y - 0.75});
        }
        r.shelf(x - 2.6, 8.6, x - 0.4, 9.05);
    }
    r.label(48.8, 1.6, "OFFICES", 264.0);
    // open office
    for (double x : {19.6, 23.4, 27.2, 31.0})
        for (double y : {2.2, 6.6}) r.table(x, y, 2.6, 1.4, 2);
    r.label(34.2, 8.2, "OPEN OFFICE", 180.0);
    // maker space
    for (double y : {20.4, 24.2}) r.table(43, y, 5.6, 1.5, 4);
    r.rect(40, 30.5, 42.2, 32);
    r.rect(44.5, 30.2, 46.6, 32.4);
    r.rect(55.5, 31.5, 58.8, 33.8);
    for (double x : {54.6, 57.4}) r.round_table(x, 27.6, 4);
    r.label(49.6, 28.4, "MAKER SPACE", 396.0);
    // meeting room
    r.table(20, 29.4, 2.4, 6.4, 6);
    r.label(20, 33.8, "MEETING", 96.0);
    // terrace: benches and planters
    for (double y : {4.0, 12.0, 24.0, 31.0}) {
        r.rect(2.2, y - 0.3, 5.2, y + 0.3);
        r.f.circles.push_back({{8.4, y}, 0.8});
        r.f.circles.push_back({{8.4, y}, 0.55});
    }
    r.label(11.6, 17.5, "TERRACE", 560.0);
    return r.f;
}

Furniture basement_furniture() {
    Room r;
    r.core();
    for (int row = 0; row < 6; ++row) {
        r.shelf(39.6, 17.6 + 1.36 * row, 58.6, 18.4 + 1.36 * row);
        r.shelf(39.6, 26.6 + 1.28 * row, 58.6, 27.4 + 1.28 * row);
    }
    r.label(49, 34.4, "ARCHIVE", 418.0);
    r.table(20, 30, 5.2, 1.6, 3);
    r.table(20, 25.4, 5.2, 1.6, 3);
    r.label(20, 33.4, "WORKSHOP", 120.0);
    r.rect(17.2, 10.2, 19.6, 13.4);
    r.rect(21.5, 10.2, 25.6, 12.4);
    r.label(21.6, 14.2, "PLANT", 66.0);
    r.label(32.4, 10.6, "SERVERS", 66.0);
    r.label(51, 12.5, "DELIVERY", 154.0);
    return r.f;
}

}  // namespace yemvo::demo
