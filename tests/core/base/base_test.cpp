// SPDX-License-Identifier: GPL-3.0-or-later
#include <sys/resource.h>
#include <unistd.h>

#include <thread>

#include "base/background.h"
#include "base/content_key.h"
#include "base/error.h"
#include "base/length_text.h"
#include "base/number_text.h"
#include "base/shared.h"

using namespace yemvo;

TEST_CASE("lengths are read as people type them") {
    CHECK(parse_length_m("3.8 m") == Approx(3.8));
    CHECK(parse_length_m("3800mm") == Approx(3.8));
    CHECK(parse_length_m("380 cm") == Approx(3.8));
    CHECK(parse_length_m("3,8") == Approx(3.8));
    CHECK(parse_length_m("12'6\"") == Approx(12.5 * 0.3048));
    CHECK(parse_length_m("12' 6 1/2\"") == Approx((12 + 6.5 / 12) * 0.3048));
    CHECK(parse_length_m("12.5 ft") == Approx(3.81));
    CHECK(parse_length_m("9 in") == Approx(0.2286));
    CHECK(parse_length_m("1/2 in") == Approx(0.0127));
    CHECK(parse_length_m("-2'6\"") == Approx(-2.5 * 0.3048));
    CHECK(parse_length_m("10", LengthUnits::feet_inches) == Approx(3.048));
    CHECK(parse_length_m("10 m", LengthUnits::feet_inches) == Approx(10));
}

TEST_CASE("what is no length is refused with the text in the message") {
    for (const char* text :
         {"", "abc", "12 apples", "nan", "inf", "1e400", "12'x", "m", "3 m 4", "1e7 m", "5/0 in", "--3"}) {
        INFO(text);
        CHECK_THROWS_AS(parse_length_m(text), Error);
    }
    CHECK_THROWS_WITH(parse_length_m("12 apples"), Catch::Contains("12 apples"));
}

TEST_CASE("lengths are written in both systems, and what is written reads back") {
    CHECK(format_length(3.8, LengthUnits::metres) == "3.80 m");
    CHECK(format_length(3.81, LengthUnits::feet_inches) == "12' 6\"");
    CHECK(format_length(-3.81, LengthUnits::feet_inches) == "-12' 6\"");
    CHECK(format_length(0.3048 + 0.0254 / 2, LengthUnits::feet_inches) == "1' 0½\"");
    // one that rounds up to a whole foot must not read 11' 12"
    CHECK(format_length(12 * 0.3048 - 0.0001, LengthUnits::feet_inches) == "12' 0\"");
    CHECK(parse_length_m(format_length(7.62, LengthUnits::feet_inches)) == Approx(7.62).margin(0.0017));
}

TEST_CASE("a number that rounds to nothing has no minus") {
    CHECK(format_number(-67, 0) == "\u221267");
    CHECK(format_number(-0.04, 1) == "0.0");
    CHECK(format_number(2.25, 1) == "2.2");
}

TEST_CASE("an error says what, where and what to do") {
    const Error e(say("is empty"), std::string("plan.png"), say("Choose another"));
    CHECK(std::string(e.what()) == "plan.png: is empty. Choose another");
}

TEST_CASE("copies share a part until one writes") {
    Shared<std::string> a(std::string("one"));
    Shared<std::string> b = a;
    CHECK(a.same(b));
    b.edit() = "two";
    CHECK(*a == "one");
    CHECK(*b == "two");
    CHECK_FALSE(a == b);
    b.edit() = "one";
    CHECK(a == b);
    CHECK_FALSE(a.same(b));
}

TEST_CASE("the cache forgets what was not asked for longest") {
    ContentCache<int> cache(30);
    for (int i = 0; i < 3; ++i) cache.keep(static_cast<std::uint64_t>(i), std::make_shared<const int>(i), 10);
    REQUIRE(cache.find(0));
    cache.keep(3, std::make_shared<const int>(3), 10);
    CHECK(cache.find(0));
    CHECK_FALSE(cache.find(1));
    CHECK(*cache.find(3) == 3);
}

TEST_CASE("caches that share a budget give way by use, whosever the value is") {
    auto budget = std::make_shared<MemoryBudget>(40);
    ContentCache<int> one(budget), two(budget);
    const auto keep = [](auto& cache, std::uint64_t key) {
        cache.keep(key, std::make_shared<const int>(7), 10);
    };
    keep(one, 1);
    keep(two, 1);
    keep(one, 2);
    keep(two, 2);
    CHECK(budget->used_bytes() == 40);
    REQUIRE(one.find(1));  // now two's first is the oldest of all
    keep(two, 3);
    CHECK(budget->used_bytes() == 40);
    CHECK_FALSE(two.find(1));
    CHECK(one.find(1));
    CHECK(one.find(2));
    budget->set_limit(20);  // takes effect at once: what was used last stays
    CHECK(budget->used_bytes() == 20);
    CHECK(one.find(1));
    CHECK(one.find(2));
    CHECK(two.size() == 0);
    keep(two, 4);
    one.forget(2);
    CHECK(budget->used_bytes() == one.used_bytes() + two.used_bytes());
    {
        ContentCache<int> three(budget);
        keep(three, 1);
    }
    CHECK(budget->used_bytes() == one.used_bytes() + two.used_bytes());  // what is gone takes nothing
}

TEST_CASE("a cache's own limit holds whatever the budget allows, and one value larger than all is kept") {
    auto budget = std::make_shared<MemoryBudget>(1000);
    ContentCache<int> small(budget, 25), other(budget);
    for (std::uint64_t key = 0; key < 5; ++key) small.keep(key, std::make_shared<const int>(1), 10);
    CHECK(small.size() == 2);
    other.keep(1, std::make_shared<const int>(1), 5000);
    CHECK(other.find(1));
    CHECK(small.size() == 0);
}

TEST_CASE("areas and levels are told in the project's units") {
    CHECK(format_area(205.31, LengthUnits::metres, 1) == "205.3 m²");
    CHECK(format_area(100, LengthUnits::feet_inches) == "1076 sq ft");
    CHECK(format_level(4.8, LengthUnits::metres) == "+4.80");
    CHECK(format_level(0, LengthUnits::metres) == "±0.00");
    CHECK(format_level(-3.6, LengthUnits::metres) == "\u22123.60");
    CHECK(format_level(4.8, LengthUnits::feet_inches) == "+15' 9\"");
}

TEST_CASE("a thread gives way to others, and so do those that it starts; the one that began it does not") {
    const auto nice_of_thread = [] { return getpriority(PRIO_PROCESS, static_cast<id_t>(gettid())); };
    const int before = nice_of_thread();
    int own = 0, started = 0;
    std::thread([&] {
        give_way_to_others();
        own = nice_of_thread();
        std::thread([&] { started = nice_of_thread(); }).join();
    }).join();
    CHECK(own > before);
    CHECK(started == own);
    CHECK(nice_of_thread() == before);
}
