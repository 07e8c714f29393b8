// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/angle_law.h"

#include <numbers>

#include "core/support.h"
#include "project/library.h"
#include "wireless/band.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

const Material& material(const char* name) {
    static const std::vector<Material> all = standard_materials();
    for (const Material& m : all)
        if (m.name == name) return m;
    throw std::runtime_error(name);
}

/// Computed from layers, without a bound: P.2040 itself.
WallType computed(std::vector<Layer> layers) {
    WallType t;
    t.layers = std::move(layers);
    t.most_db = 1000;
    return t;
}

double at_angle(const WallType& t, double ghz, double angle_deg) {
    return angle_laws(t, {ghz})[0].loss_db(std::cos(angle_deg * std::numbers::pi / 180));
}

}  // namespace

TEST_CASE("the pieces that rays read lie within 0.1 dB of the law, for every type, band and angle") {
    for (const WallType& t : standard_wall_types()) {
        if (t.use == TypeUse::obstacle) continue;
        for (const Band& b : bands()) {
            const double ghz = b.reference_mhz / 1000;
            const AngleLaw law = angle_laws(t, {2.442, ghz})[1];
            double worst = 0;
            for (double angle = 0; angle < 90; angle += 0.25)
                worst = std::max(worst, std::abs(law.loss_db(std::cos(angle * std::numbers::pi / 180)) -
                                                 loss_at_angle_db(t, ghz, angle)));
            INFO(t.key << " at " << b.name << " GHz");
            CHECK(worst < 0.1);
            CHECK(law.loss_db(1) == Approx(loss_db(t, ghz)).margin(1e-4));
        }
    }
}

TEST_CASE("layered types take what the slab check values say, at square entry and by angle") {
    const auto slab = [](const char* name, double m) { return computed({{material(name), m, 0}}); };
    const auto stack = [](const char* outer, double m, double gap_m) {
        return computed({{material(outer), m, 0}, {material("Air"), gap_m, 0}, {material(outer), m, 0}});
    };
    // the mean of both polarisations; ITU-R P.2040-2 worked out independently of this program
    struct Row {
        const char* what;
        WallType type;
        double square_db[3];  // 2.442, 5.5, 6.5 GHz
        double at_55_db[4];   // 5.5 GHz: 0, 30, 45, 60, 75 degrees but the first
    };
    const Row rows[] = {
        {"plasterboard 13 mm", slab("Plasterboard", 0.013), {1.13, 0.94, 0.74}, {1.09, 1.33, 1.90, 4.08}},
        {"stud wall 13 + 75 + 13",
         stack("Plasterboard", 0.013, 0.075),
         {1.08, 1.11, 1.56},
         {2.87, 1.80, 3.83, 6.26}},
        {"concrete 100 mm", slab("Concrete", 0.1), {8.07, 14.03, 15.66}, {14.27, 14.59, 15.17, 16.54}},
        {"brick 115 mm", slab("Brick", 0.115), {3.72, 4.25, 3.74}, {3.66, 4.14, 5.01, 6.27}},
        {"glass 6 mm", slab("Glass", 0.006), {1.95, 3.28, 2.85}, {3.28, 3.14, 2.78, 3.44}},
        {"double glazing 6-12-6",
         stack("Glass", 0.006, 0.012),
         {0.20, 10.13, 8.32},
         {9.51, 7.30, 3.93, 3.61}},
        {"wood 38 mm", slab("Wood", 0.038), {0.62, 1.35, 1.90}, {1.52, 1.86, 2.59, 4.92}},
    };
    for (const Row& row : rows) {
        INFO(row.what);
        const double ghz[] = {2.442, 5.5, 6.5};
        for (int i = 0; i < 3; ++i)
            CHECK(at_angle(row.type, ghz[i], 0) == Approx(row.square_db[i]).margin(0.05));
        const double angles[] = {30, 45, 60, 75};
        for (int i = 0; i < 4; ++i)
            CHECK(at_angle(row.type, 5.5, angles[i]) == Approx(row.at_55_db[i]).margin(0.1));
    }
}

TEST_CASE("a measured type keeps its square-entry loss and takes the shape of its layers, within the caps") {
    WallType t;
    t.losses = {{5.5, 8, 4, 14}};
    t.layers = {{material("Concrete"), 0.1, 0}};
    t.most_db = 60;
    CHECK(at_angle(t, 5.5, 0) == Approx(8).margin(1e-4));
    CHECK(at_angle(t, 5.5, 60) == Approx(8 + 15.17 - 14.03).margin(0.1));
    CHECK(at_angle(t, 5.5, 89) == Approx(at_angle(t, 5.5, 77.5)).margin(1e-6));  // no more grazing than this
    t.layers = {{material("Metal"), 0.001, 0}};
    CHECK(at_angle(t, 5.5, 85) <= 18.0001);  // at most 10 dB more
    t.most_db = 9;
    CHECK(at_angle(t, 5.5, 85) <= 9.0001);
}
