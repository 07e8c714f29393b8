// SPDX-License-Identifier: GPL-3.0-or-later
#include <complex>
#include <numbers>
#include <set>

#include "core/support.h"
#include "project/json_types.h"
#include "project/library.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

const Material& material(const std::string& name) {
    static const auto all = standard_materials();
    for (const Material& m : all)
        if (m.name == name) return m;
    throw std::runtime_error("no material " + name);
}

std::vector<Layer> layers(std::initializer_list<std::pair<const char*, double>> list) {
    std::vector<Layer> out;
    for (const auto& [name, m] : list) out.push_back({material(name), m, 0});
    return out;
}

}  // namespace

TEST_CASE("bulk attenuation keeps to ITU-R P.2040") {
    CHECK(bulk_loss_db_per_m(material("Concrete"), 2.442) == Approx(check_value("m.a1")).epsilon(1e-3));
    CHECK(bulk_loss_db_per_m(material("Concrete"), 5.5) == Approx(check_value("m.a2")).epsilon(1e-3));
    CHECK(bulk_loss_db_per_m(material("Brick"), 5.5) == Approx(check_value("m.a3")).epsilon(1e-3));
    CHECK(bulk_loss_db_per_m(material("Glass"), 5.5) == Approx(check_value("m.a4")).epsilon(1e-3));
}

TEST_CASE("layers take what ITU-R P.2040's method gives, at square entry and at an angle") {
    const auto concrete = layers({{"Concrete", 0.2}});
    CHECK(layer_loss(concrete, 2.442, 45).te_db == Approx(check_value("m.s2")).margin(0.01));
    CHECK(layer_loss(concrete, 2.442, 45).tm_db == Approx(check_value("m.s3")).margin(0.01));
    const auto glazing = layers({{"Glass", 0.006}, {"Air", 0.012}, {"Glass", 0.006}});
    CHECK(layer_loss(glazing, 5.5, 60).te_db == Approx(check_value("m.s4")).margin(0.01));
    CHECK(layer_loss(glazing, 5.5, 60).tm_db == Approx(check_value("m.s5")).margin(0.01));
    // published table of walls at square entry: 2.442, 5.5, 6.5 GHz
    struct Row {
        std::vector<Layer> layers;
        double db[3];
    };
    for (const Row& row :
         {Row{layers({{"Plasterboard", 0.013}}), {1.13, 0.94, 0.74}},
          Row{layers({{"Plasterboard", 0.013}, {"Air", 0.075}, {"Plasterboard", 0.013}}), {1.08, 1.11, 1.56}},
          Row{layers({{"Concrete", 0.1}}), {8.07, 14.03, 15.66}}, Row{concrete, {14.77, 26.47, 29.97}},
          Row{layers({{"Brick", 0.24}}), {6.45, 7.39, 7.55}},
          Row{layers({{"Glass", 0.004}, {"Air", 0.016}, {"Glass", 0.004}}), {0.16, 9.29, 9.17}},
          Row{layers({{"Plywood", 0.018}}), {6.23, 6.29, 6.49}},
          Row{layers({{"Marble", 0.02}}), {1.02, 0.60, 3.07}}}) {
        const double f[] = {2.442, 5.5, 6.5};
        for (int i = 0; i < 3; ++i)
            CHECK(layer_loss(row.layers, f[i], 0).te_db == Approx(row.db[i]).margin(0.006));
    }
    CHECK(layer_loss(layers({{"Plasterboard", 0.013}}), 5.5, 75).mean_db() == Approx(4.08).margin(0.01));
}

TEST_CASE("a coating is a sheet: 4 ohms a square take 33.6 dB, 15 take 22.6") {
    CHECK(layer_loss({{material("Metal"), 0, 4}}, 5.5, 0).te_db == Approx(check_value("m.l1")).margin(0.05));
    CHECK(layer_loss({{material("Metal"), 0, 15}}, 5.5, 0).te_db == Approx(check_value("m.l2")).margin(0.05));
}

TEST_CASE("no object takes more than what leaks round it") {
    WallType steel;
    steel.layers = layers({{"Metal", 0.001}});
    CHECK(loss_db(steel, 2.442) == Approx(check_value("m.t1")));
    CHECK(layer_loss(steel.layers, 2.442, 0).te_db > 150);  // and it does not overflow
}

TEST_CASE("loss at an angle follows the layers' shape, at most 10 dB more, held when grazing") {
    WallType wall;
    wall.losses = {{2.4, 8, 5, 12}, {6, 8, 5, 12}};
    CHECK(loss_at_angle_db(wall, 5.5, 70) == Approx(8));
    wall.layers = layers({{"Plasterboard", 0.013}});
    CHECK(loss_at_angle_db(wall, 5.5, 0) == Approx(8));
    CHECK(loss_at_angle_db(wall, 5.5, 75) == Approx(8 + 4.08 - 0.94).margin(0.02));
    CHECK(loss_at_angle_db(wall, 5.5, 89) == loss_at_angle_db(wall, 5.5, 77.5));
    wall.layers = layers({{"Concrete", 0.3}});
    CHECK(loss_at_angle_db(wall, 5.5, 77) <= 18);
}

TEST_CASE(
    "the library has at least 40 types in every group, each with figures in all bands, in words of its own") {
    const auto types = standard_wall_types();
    CHECK(types.size() >= 40);
    std::set<std::string> keys, names;
    std::set<TypeGroup> groups;
    std::set<TypeUse> uses;
    for (const WallType& t : types) {
        INFO(t.key);
        CHECK(keys.insert(t.key).second);
        names.insert(t.name + std::string(use_name(t.use)));
        groups.insert(t.group);
        uses.insert(t.use);
        CHECK_FALSE(t.source.empty());
        for (double f : {2.442, 5.5, 6.5}) {
            CHECK(has_loss_at(t, f));
            const LossRange r = loss_range(t, f);
            CHECK(r.low_db <= r.loss_db);
            CHECK(r.loss_db <= r.high_db);
        }
    }
    CHECK(names.size() == types.size());
    CHECK(groups.size() == 8);
    CHECK(uses.size() == 6);
}

TEST_CASE("a type without figures near a band is known by that") {
    WallType t;
    t.losses = {{2.4, 5, 3, 8}};
    CHECK(has_loss_at(t, 2.442));
    CHECK_FALSE(has_loss_at(t, 5.5));
    t.losses.push_back({60, 9, 5, 12});
    CHECK(has_loss_at(t, 5.5));
    WallType far;
    far.layers = {{{"Board", 3.66, 0, 0.0044, 1.3515, 50, 100}, 0.02, 0}};
    CHECK_FALSE(has_loss_at(far, 5.5));
}

TEST_CASE("a library file is read as it was written; a broken one says where") {
    const auto types = standard_wall_types();
    const std::string text = types_to_json(types);
    CHECK(types_from_json(text, "types.json") == types);
    const auto fault = [](const std::string& broken) {
        try {
            types_from_json(broken, "mine.json");
        } catch (const Error& e) {
            return std::string(e.what());
        }
        return std::string("nothing");
    };
    const auto with = [&](const std::string& from, const std::string& to) {
        std::string changed = text;
        changed.replace(changed.find(from), from.size(), to);
        return fault(changed);
    };
    CHECK_THAT(fault("{"), Catch::Contains("mine.json") && Catch::Contains("JSON"));
    CHECK_THAT(fault("[]"), Catch::Contains("mine.json"));
    CHECK_THAT(with("\"use\": \"wall\"", "\"use\": \"roof\""),
               Catch::Contains("wall_types[0].use") && Catch::Contains("roof"));
    CHECK_THAT(with("\"loss_db\":9.0", "\"loss_db\":\"nine\""), Catch::Contains("losses[0].loss_db"));
    CHECK_THAT(with("\"high_db\":15.0", "\"high_db\":1.0"), Catch::Contains("high_db at least"));
    CHECK_THAT(with("\"version\": 1", "\"version\": 9"), Catch::Contains("newer"));
}

TEST_CASE("a crowd or foliage takes what P.833's law gives, others are cut off at their bound") {
    CHECK(way_loss_db(0.5, 30, 20, true) == Approx(check_value("f.3")).margin(0.001));
    CHECK(way_loss_db(0.5, 30, 20, false) == Approx(15));
    CHECK(way_loss_db(0.5, 300, 20, false) == 20);
    double last = 0;
    for (double way_m = 1; way_m < 400; way_m *= 1.3) {
        const double now = way_loss_db(0.5, way_m, 20, true);
        CHECK(now >= last);
        CHECK(now <= std::min(20.0, 0.5 * way_m) + 1e-9);
        last = now;
    }
    CHECK(last > 19.9);
}

TEST_CASE("materials have the imaginary permittivity worked out independently") {
    // what is lost in a metre follows from it: 8.686 k0 (-Im sqrt(eps)), eps'' by the table
    const std::tuple<const char*, const char*, double> asked[] = {{"Concrete", "m.e1", 2.442},
                                                                  {"Concrete", "m.e2", 5.5},
                                                                  {"Plasterboard", "m.e3", 5.5},
                                                                  {"Glass", "m.e4", 6.5},
                                                                  {"Wood", "m.e5", 2.442}};
    for (const auto& [name, check, ghz] : asked) {
        const Material& m = material(name);
        INFO(name);
        const double real = m.a * std::pow(ghz, m.b);
        const std::complex<double> root = std::sqrt(std::complex<double>(real, -check_value(check)));
        const double wave_number = 2 * std::numbers::pi * ghz * 1e9 / 299792458;
        CHECK(bulk_loss_db_per_m(m, ghz) ==
              Approx(20 * std::log10(std::numbers::e) * wave_number * -root.imag()).epsilon(2e-3));
    }
}
