// SPDX-License-Identifier: GPL-3.0-or-later
// Graphs whose best colouring is known, and all small ones against trying everything.
#include "tuning/search.h"

#include <random>

#include "tuning/pair_costs.h"

using namespace yemvo;

namespace {

std::vector<TunedSetting> colours(int count) {
    std::vector<TunedSetting> out;
    for (int k = 0; k < count; ++k) {
        TunedSetting s;
        s.channel = channels(band_5, 20)[static_cast<std::size_t>(k)];
        s.primary = s.channel.number;
        out.push_back(s);
    }
    return out;
}

RetuneInstance graph(int radios, int colour_count, const std::vector<std::pair<int, int>>& edges) {
    RetuneInstance out;
    for (int r = 0; r < radios; ++r) out.radios.push_back({std::to_string(r), colours(colour_count)});
    for (auto [a, b] : edges)
        out.pairs.push_back({static_cast<std::uint32_t>(a), static_cast<std::uint32_t>(b), 1, {}, {}});
    return out;
}

double best_by_trying(const RetuneInstance& instance) {
    Assignment at(instance.radios.size(), 0);
    const PairCosts costs(instance);
    double best = 1e300;
    for (;;) {
        best = std::min(best, costs.total(at));
        std::size_t k = 0;
        while (k < at.size() && ++at[k] == instance.radios[k].allowed.size()) at[k++] = 0;
        if (k == at.size()) return best;
    }
}

RetuneInstance random_instance(std::uint64_t seed) {
    std::mt19937_64 random(seed);
    const auto any = [&](double low, double high) {
        return low + (high - low) * static_cast<double>(random() % 10'000) / 10'000;
    };
    const int n = 5 + static_cast<int>(random() % 4);
    RetuneInstance out;
    out.change_cost = random() % 2 ? 0.1 : 0;
    for (int r = 0; r < n; ++r) {
        TunedRadio radio;
        radio.name = std::to_string(r);
        radio.weight = any(0.5, 2);
        const std::vector<int> widths{20, 40, 80};
        for (int k = 0; k < 4; ++k) {
            const auto all = channels(band_5, widths[random() % 3]);
            TunedSetting s;
            s.channel = all[random() % std::min<std::size_t>(all.size(), 6)];
            s.primary = primaries(s.channel)[random() % primaries(s.channel).size()];
            s.power_dbm = any(5, 20);
            s.cost = any(0, 0.3);
            s.air = any(0.1, 1);
            radio.allowed.push_back(s);
        }
        radio.now = static_cast<int>(random() % 5) - 1;
        radio.locked = radio.now >= 0 && random() % 5 == 0;
        out.radios.push_back(radio);
    }
    for (std::uint32_t a = 0; a < static_cast<std::uint32_t>(n); ++a)
        for (std::uint32_t b = a + 1; b < static_cast<std::uint32_t>(n); ++b) {
            if (any(0, 1) < 0.4) continue;
            TunedPair p{a, b, any(0.2, 2), {}, {}};
            if (random() % 2) p.loss_ab_db = any(80, 110);
            if (random() % 2) p.loss_ba_db = any(80, 110);
            out.pairs.push_back(p);
        }
    return out;
}

}  // namespace

TEST_CASE("an odd ring needs three channels, and with two one pair stays") {
    std::vector<std::pair<int, int>> ring;
    for (int i = 0; i < 9; ++i) ring.push_back({i, (i + 1) % 9});
    const SearchResult two = search(graph(9, 2, ring)), three = search(graph(9, 3, ring));
    CHECK(two.objective == Approx(1));
    CHECK(two.proven);
    CHECK(two.lower_bound == Approx(1));
    CHECK(three.objective == 0);
    CHECK(three.proven);
}

TEST_CASE("of a clique those pairs stay that the channels cannot part") {
    std::vector<std::pair<int, int>> clique;
    for (int a = 0; a < 8; ++a)
        for (int b = a + 1; b < 8; ++b) clique.push_back({a, b});
    // eight on three channels: 3 + 3 + 2, so 3 + 3 + 1 pairs
    const SearchResult found = search(graph(8, 3, clique));
    CHECK(found.objective == Approx(7));
    CHECK(found.proven);
    CHECK(search(graph(8, 8, clique)).objective == 0);
}

TEST_CASE("a grid is a chessboard") {
    std::vector<std::pair<int, int>> grid;
    for (int y = 0; y < 12; ++y)
        for (int x = 0; x < 12; ++x) {
            if (x < 11) grid.push_back({12 * y + x, 12 * y + x + 1});
            if (y < 11) grid.push_back({12 * y + x, 12 * y + x + 12});
        }
    const SearchResult found = search(graph(144, 2, grid));
    CHECK(found.objective == 0);
    CHECK(found.proven);
}

TEST_CASE("what is found is what trying everything finds, whatever the weights, widths, losses and locks") {
    for (std::uint64_t seed = 1; seed <= 60; ++seed) {
        INFO(seed);
        RetuneInstance instance = random_instance(seed);
        const SearchResult found = search(instance);
        CHECK(found.objective == Approx(objective(instance, found.chosen)).margin(1e-9));
        CHECK(found.proven);
        CHECK(found.lower_bound == Approx(found.objective).margin(1e-6));
        for (std::size_t r = 0; r < instance.radios.size(); ++r)
            if (instance.radios[r].locked)
                CHECK(found.chosen[r] == static_cast<std::uint32_t>(instance.radios[r].now));
        // locked ones have one choice when everything is tried
        RetuneInstance tried = instance;
        for (TunedRadio& r : tried.radios)
            if (r.locked) {
                r.allowed = {r.allowed[static_cast<std::size_t>(r.now)]};
                r.now = 0;
            }
        CHECK(found.objective == Approx(best_by_trying(tried)).margin(1e-6));
    }
}

TEST_CASE("the same seed finds the same plan, and a change has to be worth its cost") {
    RetuneInstance instance = random_instance(7);
    CHECK(search(instance).chosen == search(instance).chosen);
    for (TunedRadio& r : instance.radios) r.now = 0;
    instance.change_cost = 1000;
    const SearchResult stays = search(instance);
    CHECK(std::ranges::all_of(stays.chosen, [](std::uint32_t k) { return k == 0; }));
}

TEST_CASE("a search that is stopped gives the best so far, none worse than now") {
    std::vector<std::pair<int, int>> edges;
    std::mt19937 random(5);
    for (int a = 0; a < 200; ++a)
        for (int b = a + 1; b < 200; ++b)
            if (random() % 10 == 0) edges.push_back({a, b});
    RetuneInstance instance = graph(200, 4, edges);
    for (TunedRadio& r : instance.radios) r.now = 1;
    const CancelToken stopped;
    stopped.cancel();
    const SearchResult none = search(instance, {}, stopped);
    CHECK(none.objective <= static_cast<double>(edges.size()));
    SearchWish wish;
    wish.exact_seconds = 0;
    double last = 1e300;
    int told = 0;
    wish.better = [&](const Assignment&, double now) {
        CHECK(now < last);
        last = now;
        ++told;
    };
    const SearchResult found = search(instance, wish);
    CHECK(told > 0);
    CHECK(found.objective <= last + 1e-6);
    CHECK(found.objective < 0.2 * static_cast<double>(edges.size()));
    CHECK_FALSE(found.proven);
    CHECK(found.lower_bound <= found.objective);
}

TEST_CASE("nothing to tune is nothing to do") {
    const SearchResult found = search({});
    CHECK(found.chosen.empty());
    CHECK(found.proven);
}

TEST_CASE("an instance that cannot be is refused with its place") {
    const auto fault = [](const char* text) {
        try {
            read_instance(text);
        } catch (const Error& e) {
            return std::string(e.what());
        }
        return std::string("taken");
    };
    CHECK(fault("nonsense").find("not JSON") != std::string::npos);
    CHECK(fault("{}").find("radios") != std::string::npos);
    CHECK(fault(R"({"radios": [{"radio": "a", "allowed": []}]})").find("radios[0].allowed") !=
          std::string::npos);
    CHECK(fault(R"({"radios": [{"radio": "a", "allowed": [{"channel": 37}]}]})").find("is no channel") !=
          std::string::npos);
    CHECK(fault(R"({"radios": [{"radio": "a", "locked": true, "allowed": [{"channel": 36}]}]})")
              .find("needs 'now'") != std::string::npos);
    CHECK(fault(R"({"radios": [{"radio": "a", "now": 1, "allowed": [{"channel": 36}]}]})")
              .find("radios[0].now") != std::string::npos);
    CHECK(
        fault(
            R"({"radios": [{"radio": "a", "allowed": [{"channel": 36}]}], "pairs": [{"a": "a", "b": "b"}]})")
            .find("does not know 'b'") != std::string::npos);
    CHECK(
        fault(R"({"radios": [{"radio": "a", "allowed": [{"channel": 36, "cost": -1}]}]})").find("below 0") !=
        std::string::npos);
    CHECK(fault(R"({"radios": [{"radio": "a", "allowed": [{"channel": 36}]}], "pairs": []})") == "taken");
}
