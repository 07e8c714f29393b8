// SPDX-License-Identifier: GPL-3.0-or-later
// Reductions, the loops of lenses and what is kept of them, against the plainest code that could be right.
#include <cmath>
#include <random>

#include "core/support.h"
#include "coverage/lens_kernels.h"
#include "coverage/rate_table.h"
#include "coverage/verdict.h"
#include "propagation/simd.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

constexpr float nothing = std::numeric_limits<float>::quiet_NaN();

bool same(float a, float b) { return a == b || (std::isnan(a) && std::isnan(b)); }

/// Every instruction set of this machine in turn, then the best again.
template <class Check>
void on_every_set(const Check& check) {
    for (const std::string& name : instruction_sets()) {
        INFO(name);
        use_instruction_set(name);
        check();
    }
    use_instruction_set("");
}

/// Fields with few different levels, so that ties are many; some radios silent, some access points with two.
struct Site {
    std::mt19937 random{7};
    std::vector<RadioField> fields;
    std::size_t cells = 0;

    Site(std::size_t count, int access_points) : cells(count) {
        for (int ap = 1; ap <= access_points; ++ap)
            for (int radio = 0; radio < 1 + ap % 3; ++radio)
                fields.push_back({AccessPointId{static_cast<std::uint32_t>(ap)}, ap,
                                  static_cast<std::size_t>(radio), RadioAbility{}, 6,
                                  radio == 1 ? band_24 : band_5, Channel{}, 0, ap % 2 ? 0 : -100, -9000,
                                  field(ap % 5 == 0), nullptr});
    }
    std::shared_ptr<const GainField> field(bool silent) {
        auto made = std::make_shared<GainField>();
        made->key = random();
        made->silent = silent;
        if (silent) return made;
        made->gain_cdb.assign(padded(cells), silent_cdb);
        for (std::size_t i = 0; i < cells; ++i) {
            const int step = static_cast<int>(random() % 8);
            if (step > 0) made->gain_cdb[i] = static_cast<std::int16_t>(-5000 - 100 * step);
        }
        return made;
    }
    /// What holds at a cell, radio by radio.
    struct Cell {
        int best = silent_cdb, next = silent_cdb, third = silent_cdb, serving = -1;
    };
    Cell at(std::size_t i, BandId band) const {
        std::map<int, std::pair<int, int>> strongest;  // of an access point: level, its radio
        for (std::size_t k = 0; k < fields.size(); ++k) {
            const RadioField& f = fields[k];
            if (f.band != band || f.field->silent || f.field->gain_cdb[i] == silent_cdb) continue;
            const int level = f.field->gain_cdb[i] + f.offset_cdb;
            const auto known = strongest.find(f.number);
            if (known == strongest.end() || level > known->second.first)
                strongest[f.number] = {level, static_cast<int>(k)};
        }
        Cell cell;
        std::vector<int> levels;
        for (const auto& [ap, strength] : strongest) {
            if (strength.first > cell.best) cell.serving = strength.second;
            cell.best = std::max(cell.best, strength.first);
            levels.push_back(strength.first);
        }
        std::sort(levels.rbegin(), levels.rend());
        if (levels.size() > 1) cell.next = levels[1];
        if (levels.size() > 2) cell.third = levels[2];
        return cell;
    }
    std::size_t wrong(const Reduction& r, BandId band) const {
        std::size_t count = 0;
        for (std::size_t i = 0; i < cells; ++i) {
            const Cell c = at(i, band);
            count += r.best_cdbm[i] != c.best || r.next_cdbm[i] != c.next || r.third_cdbm[i] != c.third ||
                     r.serving[i] != c.serving;
        }
        return count;
    }
};

Surface surface(int columns, int rows) { return {FloorId{1}, 1, 0, 0, {}, 0.5, columns, rows}; }

}  // namespace

TEST_CASE("a reduction holds the three strongest access points and the first of the strongest") {
    const Site site(37 * 11, 14);
    on_every_set([&] {
        for (BandId band : {band_24, band_5})
            CHECK(site.wrong(reduce(site.fields, band, site.cells), band) == 0);
    });
}

TEST_CASE("an access point that joins last changes nothing of what is reduced") {
    const Site site(401, 9);
    for (int ap = 1; ap <= 9; ++ap) {
        Reduction r =
            reduce_without(site.fields, band_5, site.cells, AccessPointId{static_cast<std::uint32_t>(ap)});
        join(r, site.fields, band_5, AccessPointId{static_cast<std::uint32_t>(ap)});
        INFO(ap);
        CHECK(site.wrong(r, band_5) == 0);
    }
}

TEST_CASE("a drag goes through all fields once, and every frame is what it would be from nothing") {
    const Surface s = surface(23, 17);
    Site site(s.cells(), 12);
    ReductionStore store(std::make_shared<MemoryBudget>(std::size_t{1} << 28));
    store.of(site.fields, band_5, s);
    REQUIRE(store.whole() == 1);
    for (int frame = 0; frame < 6; ++frame) {
        for (RadioField& f : site.fields)
            if (f.number == 4) f.field = site.field(frame == 3);  // out of reach once
        CHECK(site.wrong(*store.of(site.fields, band_5, s), band_5) == 0);
        CHECK(store.whole() == 2);
    }
    // another one is taken, then two at once
    site.fields.front().offset_cdb -= 300;
    CHECK(site.wrong(*store.of(site.fields, band_5, s), band_5) == 0);
    CHECK(store.whole() == 3);
    site.fields.front().offset_cdb += 200;
    site.fields.back().offset_cdb += 200;
    CHECK(site.wrong(*store.of(site.fields, band_5, s), band_5) == 0);
    CHECK(store.whole() == 4);
    // and one is switched off: the places of the others in the list are new
    site.fields.erase(site.fields.begin() + 1);
    for (BandId band : {band_5, band_24}) CHECK(site.wrong(*store.of(site.fields, band, s), band) == 0);
}

TEST_CASE("the loops of lenses do what is said of them, at every length and on every instruction set") {
    std::mt19937 random(3);
    for (std::size_t n : {1u, 2u, 15u, 16u, 17u, 31u, 33u, 64u, 100u}) {
        std::vector<std::int16_t> level(n), left(n), gain(n), serving(n);
        for (std::size_t i = 0; i < n; ++i) {
            serving[i] = static_cast<std::int16_t>(static_cast<int>(random() % 5) - 1);
            level[i] = serving[i] < 0 ? silent_cdb
                                      : static_cast<std::int16_t>(-9000 + static_cast<int>(random() % 6000));
            left[i] = random() % 4 ? static_cast<std::int16_t>(-9500 + static_cast<int>(random() % 3000))
                                   : silent_cdb;
            gain[i] = static_cast<std::int16_t>(-8000 + static_cast<int>(random() % 500));
        }
        const std::vector<float> table{nothing, -9300, -9000, -8900, -8700};
        const auto of = [&](std::size_t i) { return table[static_cast<std::size_t>(serving[i] + 1)]; };
        on_every_set([&] {
            INFO(n);
            std::vector<float> out(n, 77);
            const auto wrong = [&](auto expected) {
                std::size_t count = 0;
                for (std::size_t i = 0; i < n; ++i) count += !same(out[i], expected(i));
                return count;
            };
            kernels::decibels(level.data(), n, out.data());
            CHECK(wrong([&](std::size_t i) { return serving[i] < 0 ? nothing : level[i] / 100.0f; }) == 0);
            kernels::of_serving(serving.data(), table.data(), n, out.data());
            CHECK(wrong(of) == 0);
            kernels::above_floor(level.data(), serving.data(), table.data(), n, out.data());
            CHECK(wrong([&](std::size_t i) { return (level[i] - of(i)) / 100.0f; }) == 0);
            kernels::lost_without(level.data(), left.data(), serving.data(), table.data(), n, out.data());
            CHECK(wrong([&](std::size_t i) {
                      if (serving[i] < 0) return nothing;
                      return std::max(0.0f, level[i] - std::max(static_cast<float>(left[i]), of(i))) / 100.0f;
                  }) == 0);
            std::fill(out.begin(), out.end(), 2.0f);
            kernels::add_heard(gain.data(), -7800, n, out.data());
            CHECK(wrong([&](std::size_t i) { return gain[i] >= -7800 ? 3.0f : 2.0f; }) == 0);
            const std::vector<float> weight{0, 0.25f, 0.5f, 1, 2};
            std::fill(out.begin(), out.end(), 1.0f);
            kernels::add_rival(gain.data(), -7800, 2, serving.data(), weight.data(), n, out.data());
            CHECK(wrong([&](std::size_t i) {
                      const bool counts = gain[i] >= -7800 && serving[i] != 2;
                      return 1 + (counts ? weight[static_cast<std::size_t>(serving[i] + 1)] : 0);
                  }) == 0);
        });
    }
}

TEST_CASE("margins are counted, marked and the worst found, at every length") {
    std::mt19937 random(5);
    for (std::size_t n : {1u, 7u, 16u, 40u, 65u}) {
        std::vector<float> values(2 * n);
        for (float& v : values) v = random() % 9 ? static_cast<float>(random() % 60) - 90 : nothing;
        std::vector<std::uint32_t> cells(n);
        for (auto& c : cells) c = static_cast<std::uint32_t>(random() % values.size());
        on_every_set([&] {
            for (bool more : {true, false}) {
                std::vector<float> margin(n), expected(n);
                kernels::margins(values.data(), cells.data(), n, {-67, -200, more}, margin.data());
                for (std::size_t k = 0; k < n; ++k) {
                    const float there = std::isnan(values[cells[k]]) ? -200 : values[cells[k]];
                    expected[k] = more ? there + 67 : -67 - there;
                }
                CHECK(margin == expected);
                const auto kept = std::ranges::count_if(expected, [](float m) { return m >= 0; });
                CHECK(kernels::kept(margin.data(), n) == static_cast<std::size_t>(kept));
                const auto worst = std::ranges::min_element(expected);
                CHECK(kernels::least(margin.data(), n) == *worst);
                CHECK(kernels::first_of(margin.data(), n, *worst) ==
                      static_cast<std::size_t>(worst - expected.begin()));
                CHECK(kernels::first_of(margin.data(), n, 5000) == n);
                std::vector<std::uint8_t> bits(n, 1);
                kernels::mark_missed(margin.data(), n, 4, bits.data());
                for (std::size_t k = 0; k < n; ++k) CHECK(bits[k] == (expected[k] < 0 ? 5 : 1));
            }
        });
    }
}

TEST_CASE("a rate table says at every hundredth of a dB what the ladder says") {
    const Project p = one_floor();
    RateTables tables;
    for (const AccessPointModel& m : *p.models)
        for (std::size_t r = 0; r < m.radios.size(); ++r)
            for (const RadioBand& can : m.radios[r].bands) {
                const Channel channel = channels(can.band, 20).front();
                const ClientProfile device = client(p, "tablet");
                const RadioAbility ability{find_standard(m.radios[r].standard), can.band, can.chains.streams};
                const RateLadder ladder(ability, channel, device, 7);
                const auto table = tables.of(ability, channel, device, 7);
                std::size_t wrong = 0;
                for (int cdbm = -14000; cdbm <= 4000; cdbm += 3)
                    wrong += table->view().at(cdbm) != static_cast<float>(ladder.rate_mbps(cdbm / 100.0));
                CHECK(wrong == 0);
                CHECK(tables.of(ability, channel, device, 7) == table);
                CHECK(tables.of(ability, channel, device, 12) != table);
            }
}

TEST_CASE("a change in one band leaves the values of the others as they are kept") {
    Project p = one_floor();
    wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
    add_access_point(p, floor_at(p, 0), (*p.models)[1].id, {5, 6});
    add_access_point(p, floor_at(p, 0), (*p.models)[1].id, {15, 6});
    Predictor predictor;
    const auto planes = [&](const Project& of) {
        const FloorPrediction f = predictor.predict(of).floors.front();
        std::map<std::pair<int, int>, std::shared_ptr<const std::vector<float>>> kept;
        for (LensId id : {LensId::signal, LensId::snr, LensId::rate_down, LensId::contention})
            for (BandId band : {band_24, band_5}) {
                const LensChoice choice{id, band, {}, client(of, "tablet")};
                kept[{static_cast<int>(id), band.index}] = lens_plane(f, choice);
                CHECK(*lens_plane(f, choice) == lens_values(f, choice));
            }
        return kept;
    };
    const auto before = planes(p);
    AccessPoint ap = access_points(p, floor_at(p, 0))[0];
    REQUIRE(ap.radios[1].channel.band == band_5);
    ap.radios[1].power_dbm -= 3;
    replace_access_point(p, floor_at(p, 0), ap);
    const auto after = planes(p);
    for (const auto& [which, plane] : before) {
        INFO(which.first << " " << which.second);
        CHECK((after.at(which) == plane) == (which.second == band_24.index));
    }
    // another channel changes who takes turns with whom, though no field does
    ap.radios[1].channel = channels(band_5, ap.radios[1].channel.width_mhz).back();
    replace_access_point(p, floor_at(p, 0), ap);
    const auto contention = std::pair{static_cast<int>(LensId::contention), int{band_5.index}};
    CHECK(planes(p).at(contention) != after.at(contention));
}
