// SPDX-License-Identifier: GPL-3.0-or-later
// Cover problems with a known optimum.
#include <cmath>
#include <functional>
#include <random>

#include "cover/cover_bound.h"
#include "cover/cover_branch.h"
#include "cover/cover_counts.h"
#include "cover/cover_dual.h"
#include "cover/cover_search.h"

using namespace yemvo;

namespace {

/// Column i covers the points that are within reach of site i; every point has to be covered.
CoverProblem points_and_sites(std::size_t n, const std::function<bool(std::size_t, std::size_t)>& reaches,
                              int times = 1) {
    CoverProblem p;
    p.groups = {{0, static_cast<std::uint32_t>(n), static_cast<std::uint32_t>(n), times}};
    for (std::size_t i = 0; i < n; ++i) {
        CoverColumn c;
        for (std::uint32_t j = 0; j < n; ++j)
            if (reaches(i, j)) c.rows.push_back(j);
        p.columns.push_back(std::move(c));
    }
    return p;
}

CoverProblem grid_of(int columns, int rows, double reach) {
    return points_and_sites(std::size_t(columns) * rows, [=](std::size_t i, std::size_t j) {
        const int c = columns;
        return std::hypot(int(i) % c - int(j) % c, int(i) / c - int(j) / c) <= reach + 1e-9;
    });
}

/// The least cost, by trying every set of columns.
double best_by_trying(const CoverProblem& p) {
    double best = 1e9;
    for (std::uint32_t set = 0; set < (1u << p.columns.size()); ++set) {
        CoverPlan plan;
        for (std::uint32_t c = 0; c < p.columns.size(); ++c)
            if (set >> c & 1u) plan.push_back(c);
        bool may = true;
        for (std::uint32_t c = 0; c < p.columns.size(); ++c) {
            const bool in = set >> c & 1u;
            if (p.columns[c].fixed && !in) may = false;
            for (std::uint32_t other : p.columns[c].apart)
                if (in && (set >> other & 1u)) may = false;
        }
        if (may && cost_of(p, plan) < best && rows_short(p, plan) == 0) best = cost_of(p, plan);
    }
    return best;
}

CoverProblem random_problem(std::mt19937& random) {
    CoverProblem p;
    std::uint32_t first = 0;
    for (int g = 0; g < 3; ++g) {
        const std::uint32_t rows = 6 + random() % 12;
        p.groups.push_back({first, rows, 0, 1 + int(random() % 2)});
        first += rows;
    }
    for (int c = 0; c < 11; ++c) {
        CoverColumn column;
        column.cost = 1 + double(random() % 3);
        for (std::uint32_t r = 0; r < first; ++r)
            if (random() % 3 == 0) column.rows.push_back(r);
        p.columns.push_back(std::move(column));
    }
    p.columns[0].fixed = random() % 2 == 0;
    p.columns[3].apart = {5};
    p.columns[5].apart = {3};
    for (CoverGroup& g : p.groups) g.need = g.rows * (60 + random() % 30) / 100;
    return p;
}

}  // namespace

TEST_CASE("a ring of five takes three, and its relaxation half of five") {
    const CoverProblem ring =
        points_and_sites(5, [](std::size_t i, std::size_t j) { return j == i || j == (i + 1) % 5; });
    const CoverBound bound = bound_cover(ring, {});
    CHECK(bound.relaxed == Approx(2.5));
    CHECK(bound.cost == 3);
    CHECK(bound.exact);
    CHECK(search_cover(ring, {}).size() == 3);
    CHECK(bound.asks.at(0) == Approx(2.5));
}

TEST_CASE("a grid of 10 by 6 with a reach of 2.3 takes four, where the greedy way takes more") {
    const CoverProblem grid = grid_of(10, 6, 2.3);
    const CoverBound bound = bound_cover(grid, {});
    CHECK(bound.relaxed == Approx(4));
    CHECK(bound.cost == 4);
    const CoverPlan best = search_cover(grid, {});
    CHECK(best.size() == 4);
    CHECK(rows_short(grid, best) == 0);
    CHECK(greedy_cover(grid).size() > 4);
}

TEST_CASE("known optima are found: lines, grids, every point twice") {
    // every column covers three in a row: a third of them, rounded up
    for (std::size_t n : {9u, 20u, 31u}) {
        const CoverProblem line = points_and_sites(
            n, [](std::size_t i, std::size_t j) { return std::max(i, j) - std::min(i, j) <= 1; });
        CHECK(search_cover(line, {}).size() == (n + 2) / 3);
        CHECK(bound_cover(line, {}).cost == (n + 2) / 3);
    }
    // in a ring of 12, three in a row, each point twice: two thirds
    const CoverProblem twice = points_and_sites(
        12, [](std::size_t i, std::size_t j) { return (i + 13 - j) % 12 <= 2; }, 2);
    CHECK(search_cover(twice, {}).size() == 8);
    CHECK(bound_cover(twice, {}).cost == 8);
    // domination numbers of square grids (Alanko et al. 2011)
    CHECK(search_cover(grid_of(7, 7, 1), {}).size() == 12);
    CHECK(search_cover(grid_of(8, 8, 1), {}).size() == 16);
    CHECK(bound_cover(grid_of(7, 7, 1), {}).cost == 12);
}

TEST_CASE("plans of small random problems are the best ones, and bounds stay below") {
    std::mt19937 random(7);
    int found = 0, tried = 0;
    for (int i = 0; i < 40; ++i) {
        CoverProblem p = random_problem(random);
        const double best = best_by_trying(p);
        if (best > 1e8) {
            const auto by = take_down_needs(p);
            continue;
        }
        ++tried;
        const CoverPlan plan = search_cover(p, {});
        CHECK(rows_short(p, plan) == 0);
        CHECK(cost_of(p, plan) >= best - 1e-9);
        found += cost_of(p, plan) < best + 1e-9;
        const CoverBound bound = bound_cover(p, {});
        CHECK(bound.cost == Approx(best));
        CHECK(bound.exact);
        CHECK(bound.relaxed <= bound.cost + 1e-9);
        CHECK(cost_of(p, greedy_cover(p)) >= best - 1e-9);
        // taken together in blocks it only becomes easier
        for (std::uint32_t r = 0; r < p.rows(); ++r) p.block.push_back(r / 3);
        CHECK(bound_cover(p, {}).cost <= bound.cost + 1e-9);
    }
    CHECK(tried > 20);
    CHECK(found == tried);
}

TEST_CASE("counts stay exact while columns come and go") {
    std::mt19937 random(3);
    for (int i = 0; i < 20; ++i) {
        const CoverProblem p = random_problem(random);
        CoverCounts counts(p);
        for (int step = 0; step < 60; ++step) {
            const std::uint32_t c = random() % p.columns.size();
            if (counts.has(c))
                counts.remove(c);
            else if (counts.may_come(c))
                counts.add(c);
            CHECK_FALSE((counts.has(3) && counts.has(5)));
            const auto met = covered_rows(p, counts.plan());
            for (std::size_t g = 0; g < met.size(); ++g)
                CHECK(counts.lacks(g) == std::int64_t(p.groups[g].need) - met[g]);
            CHECK(counts.is_whole() == (rows_short(p, counts.plan()) == 0));
            CHECK(counts.cost() == Approx(cost_of(p, counts.plan())));
            // what nobody misses can go without anything becoming short
            const std::vector<double> weight(p.groups.size(), 1);
            for (std::uint32_t in : CoverPlan(counts.plan())) {
                CoverPlan without = counts.plan();
                std::erase(without, in);
                if (counts.is_whole())
                    CHECK(counts.loss(in, weight) == Approx(double(rows_short(p, without))));
            }
        }
    }
}

TEST_CASE("a bound claims nothing where columns that exclude each other leave no plan") {
    // two points, each reached by one column alone, and the two may not come together
    CoverProblem p = points_and_sites(2, [](std::size_t i, std::size_t j) { return i == j; });
    p.columns[0].apart = {1};
    p.columns[1].apart = {0};
    CHECK(rows_short(p, greedy_cover(p)) == 1);
    CHECK(bound_cover(p, {}).cost == 2);
}

TEST_CASE("more columns than a byte counts cover a row") {
    const CoverProblem all = points_and_sites(300, [](std::size_t, std::size_t) { return true; });
    CoverCounts counts(all);
    for (std::uint32_t c = 0; c < 300; ++c) counts.add(c);
    CHECK(counts.is_whole());
    for (std::uint32_t c = 0; c < 299; ++c) counts.remove(c);
    CHECK(counts.is_whole());
    counts.remove(299);
    CHECK_FALSE(counts.is_whole());
}

TEST_CASE("a search gives the same plan for a seed, and gives up what cannot be met") {
    const CoverProblem grid = grid_of(12, 9, 2.3);
    CHECK(search_cover(grid, {5}) == search_cover(grid, {5}));
    CoverProblem beyond = grid_of(6, 6, 1);
    beyond.groups[0].rows += 4;  // four that nobody reaches
    beyond.groups[0].need += 4;
    CHECK(take_down_needs(beyond) == std::vector<std::uint32_t>{4});
    CHECK(rows_short(beyond, search_cover(beyond, {})) == 0);
    CancelToken cancel;
    cancel.cancel();
    CHECK_NOTHROW(search_cover(grid, {}, cancel));
    CHECK(bound_cover(grid, {}, cancel).cost == 0);
}

TEST_CASE("the Lagrangian bound comes near the least cost and never above it") {
    std::mt19937 random(11);
    int tried = 0;
    for (int i = 0; i < 20; ++i) {
        CoverProblem p = random_problem(random);
        take_down_needs(p);
        const CoverPlan plan = greedy_cover(p);
        if (rows_short(p, plan) > 0) continue;
        const double best = best_by_trying(p);
        const DualBound dual = dual_bound(p, gathered_blocks(p), cost_of(p, plan), 4000);
        CHECK(dual.cost <= best + 1e-6);
        CHECK(dual.cost >= 0.5 * best);
        ++tried;
    }
    CHECK(tried > 10);
    const CoverProblem grid = grid_of(10, 6, 2.3);
    CHECK(dual_bound(grid, gathered_blocks(grid), 6, 4000).cost == Approx(4).margin(0.1));
}

TEST_CASE("what has to be covered twice and is covered once counts for nothing") {
    CoverProblem p;
    p.groups = {{0, 10, 5, 2}};  // five of ten, each twice
    p.columns.push_back({1, true, {0, 1, 2, 3, 4, 5, 6, 7, 8, 9}, {}});
    for (std::uint32_t row = 0; row < 10; ++row) p.columns.push_back({1, false, {row}, {}});
    CHECK(dual_bound(p, gathered_blocks(p), 6, 4000).cost == Approx(6).margin(0.01));
}

TEST_CASE("branches tell whether a plan can cost so little") {
    std::mt19937 random(5);
    int tried = 0;
    for (int i = 0; i < 30; ++i) {
        const CoverProblem p = random_problem(random);
        const double best = best_by_trying(p);
        if (best > 1e8) continue;
        ++tried;
        const auto blocks = gathered_blocks(p);
        const std::vector<double> worth(blocks.size(), 0.0);
        CHECK(branch_cover(p, blocks, worth, {best - 1, 30}) == Branched::none);
        CHECK(branch_cover(p, blocks, worth, {best, 30}) == Branched::possible);
    }
    CHECK(tried > 15);
    const CoverProblem grid = grid_of(8, 8, 1);
    const auto blocks = gathered_blocks(grid);
    const std::vector<double> worth(blocks.size(), 0.0);
    CHECK(branch_cover(grid, blocks, worth, {15, 30}) == Branched::none);
    CHECK(branch_cover(grid, blocks, worth, {15, 0}) == Branched::unknown);
    CancelToken cancel;
    cancel.cancel();
    CHECK(branch_cover(grid, blocks, worth, {15, 30}, cancel) == Branched::unknown);
}

TEST_CASE("the bound of costs that are no whole numbers stays below the least and comes near it") {
    std::mt19937 random(23);
    int tried = 0;
    for (int i = 0; i < 20; ++i) {
        CoverProblem p = random_problem(random);
        for (CoverColumn& c : p.columns) c.cost *= 0.37 + 0.01 * double(random() % 50);
        const double best = best_by_trying(p);
        if (best > 1e8) continue;
        ++tried;
        const CoverBound bound = bound_cover(p, {10, false});
        CHECK(bound.cost <= best + 1e-6);
        CHECK(bound.cost >= 0.9 * best);
    }
    CHECK(tried > 10);
}

TEST_CASE("a group that another implies is found and taken away") {
    CoverProblem p = grid_of(6, 4, 1);
    // the same points again, each column reaching further: implied
    CoverProblem far = grid_of(6, 4, 2);
    p.groups.push_back({24, 24, 20, 1});
    for (std::size_t c = 0; c < p.columns.size(); ++c)
        for (const std::uint32_t row : far.columns[c].rows) p.columns[c].rows.push_back(row + 24);
    CHECK(implied_groups(p, {1, 1}) == std::vector<char>{0, 1});
    CHECK(implied_groups(p, {1, 2}) == std::vector<char>{0, 0});
    const double before = bound_cover(p, {}).cost;
    CHECK(take_away_groups(p, {0, 1}) == std::vector<std::size_t>{0});
    CHECK(p.rows() == 24);
    CHECK(bound_cover(p, {}).cost == before);
    // needing more it is not
    CoverProblem more = grid_of(6, 4, 1);
    more.groups[0].need = 20;
    more.groups.push_back({24, 24, 24, 1});
    for (std::size_t c = 0; c < more.columns.size(); ++c)
        for (const std::uint32_t row : far.columns[c].rows) more.columns[c].rows.push_back(row + 24);
    CHECK(implied_groups(more, {1, 1}) == std::vector<char>{0, 0});
}
