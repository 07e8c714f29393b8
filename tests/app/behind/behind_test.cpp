// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/behind/behind.h"

#include <QTest>
#include <atomic>
#include <new>

#include "core/support.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace std::chrono_literals;

namespace {

/// Holds work up until the test lets it go.
struct Gate {
    std::atomic<bool> reached{false}, open{false};
    void pass(const AtWork& at) {
        reached = true;
        while (!open) {
            at.cancel().check();
            std::this_thread::sleep_for(1ms);
        }
    }
    bool wait() {
        return QTest::qWaitFor([&] { return reached.load(); }, 3000);
    }
};

const auto no_fault = [](const QString& why) { FAIL(why.toStdString()); };

bool rests(const Behind& b) {
    return QTest::qWaitFor([&] { return b.is_idle(); }, 3000) && (QTest::qWait(5), true);
}

}  // namespace

TEST_CASE("whatever work throws is delivered, and the next work runs") {
    Behind behind;
    QStringList told;
    const auto tell = [&](const QString& why) { told << why; };
    behind.request({{}, [](const AtWork&) { throw std::runtime_error("it went wrong"); }, tell});
    REQUIRE(rests(behind));
    behind.request({{}, [](const AtWork&) { throw std::bad_alloc(); }, tell});
    REQUIRE(rests(behind));
    behind.request({{}, [](const AtWork&) { throw 42; }, tell});
    REQUIRE(rests(behind));
    REQUIRE(told.size() == 3);
    CHECK(told[0] == "it went wrong");
    CHECK(told[1].contains("memory"));
    int got = 0;
    behind.request(job(
        {}, [](const AtWork&) { return 7; }, [&](int v) { got = v; }, no_fault));
    REQUIRE(rests(behind));
    CHECK(got == 7);
}

TEST_CASE("of newest wishes the last alone arrives, and what runs is stopped") {
    Behind behind;
    Gate gate;
    std::vector<int> got;
    bool ended = false;
    Job first = job(
        {}, [&](const AtWork& at) { return gate.pass(at), 1; }, [&](int v) { got.push_back(v); }, no_fault);
    first.ended = [&] { ended = true; };
    behind.request(std::move(first));
    REQUIRE(gate.wait());
    for (int i = 2; i <= 4; ++i)
        behind.request(job(
            {}, [i](const AtWork&) { return i; }, [&](int v) { got.push_back(v); }, no_fault));
    REQUIRE(rests(behind));
    CHECK(got == std::vector<int>{4});
    CHECK(ended);
}

TEST_CASE("with patience, what has only begun gets to the end before it gives way") {
    Behind behind({Behind::Takes::newest, 0ms, 10s});
    Gate gate;
    std::vector<int> got;
    behind.request(job(
        {}, [&](const AtWork& at) { return gate.pass(at), at.newer_waits() ? 1 : 0; },
        [&](int v) { got.push_back(v); }, no_fault));
    REQUIRE(gate.wait());
    behind.request(job(
        {}, [](const AtWork&) { return 2; }, [&](int v) { got.push_back(v); }, no_fault));
    gate.open = true;
    REQUIRE(rests(behind));
    CHECK(got == std::vector<int>{1, 2});
}

TEST_CASE("all of a queue is done in order, even when its owner goes") {
    std::vector<int> done;
    {
        Behind behind({Behind::Takes::all});
        for (int i = 0; i < 5; ++i)
            behind.request({{}, [&done, i](const AtWork&) { done.push_back(i); }, no_fault});
    }
    CHECK(done == std::vector<int>{0, 1, 2, 3, 4});
}

TEST_CASE("nothing of what was stopped is handed over any more") {
    Behind behind({Behind::Takes::all});
    Gate gate;
    int parts = 0, wholes = 0;
    behind.request(job(
        "Searching",
        [&](const AtWork& at) {
            at.hand_over([&] { ++parts; });
            gate.pass(at);
            return 1;
        },
        [&](int) { ++wholes; }, no_fault));
    REQUIRE(gate.wait());
    REQUIRE(QTest::qWaitFor([&] { return parts == 1; }, 3000));
    CHECK(behind.words() == "Searching");
    behind.stop();
    CHECK(behind.words().isEmpty());
    REQUIRE(rests(behind));
    CHECK(wholes == 0);
    behind.request(job(
        {}, [](const AtWork&) { return 1; }, [&](int) { ++wholes; }, no_fault));
    REQUIRE(rests(behind));
    CHECK(wholes == 1);
}

TEST_CASE("work that cannot be stopped half-way does not hold up the next where there are threads for it") {
    Behind behind({Behind::Takes::newest, 0ms, 0ms, 2});
    std::atomic<bool> slow{false}, open{false};
    std::vector<int> got;
    behind.request(job(
        {},
        [&](const AtWork&) {
            slow = true;
            while (!open) std::this_thread::sleep_for(1ms);
            return 1;
        },
        [&](int v) { got.push_back(v); }, no_fault));
    REQUIRE(QTest::qWaitFor([&] { return slow.load(); }, 3000));
    behind.stop();
    behind.request(job(
        {}, [](const AtWork&) { return 2; }, [&](int v) { got.push_back(v); }, no_fault));
    REQUIRE(QTest::qWaitFor([&] { return got.size() == 1; }, 3000));
    open = true;
    REQUIRE(rests(behind));
    CHECK(got == std::vector<int>{2});
}

TEST_CASE("how far work is, and how long it still takes, is told; paused, it waits") {
    Behind behind;
    Gate gate;
    std::atomic<int> steps{0};
    int told = 0;
    QObject::connect(&behind, &Behind::progressed, &behind, [&] { ++told; });
    behind.request({"Searching",
                    [&](const AtWork& at) {
                        for (; !gate.open; ++steps) {
                            at.check();
                            at.tell(0.25);
                            std::this_thread::sleep_for(1ms);
                        }
                    },
                    no_fault});
    REQUIRE(QTest::qWaitFor([&] { return behind.progress().share == 0.25; }, 3000));
    CHECK(behind.words() == "Searching, 25 %");
    REQUIRE(QTest::qWaitFor([&] { return behind.progress().left.has_value(); }, 5000));
    // a quarter took two seconds or a little more
    CHECK(behind.progress().left->count() >= 6);
    CHECK(behind.progress().left->count() <= 12);
    CHECK(behind.words().contains("s left"));
    CHECK(told > 2);
    behind.pause(true);
    QTest::qWait(20);
    const int at = steps;
    QTest::qWait(50);
    CHECK(steps <= at + 1);
    CHECK(behind.words() == "Searching, paused");
    behind.pause(false);
    REQUIRE(QTest::qWaitFor([&] { return steps > at + 5; }, 3000));
    gate.open = true;
    REQUIRE(rests(behind));
    CHECK(behind.words().isEmpty());
}

TEST_CASE("the last wish to come does not wait longer than patience for what runs") {
    Behind behind({Behind::Takes::newest, 0ms, 60ms});
    Gate never;
    std::vector<int> got;
    behind.request(job(
        {}, [&](const AtWork& at) { return never.pass(at), 1; }, [&](int v) { got.push_back(v); }, no_fault));
    REQUIRE(never.wait());
    behind.request(job(
        {}, [](const AtWork&) { return 2; }, [&](int v) { got.push_back(v); }, no_fault));
    REQUIRE(rests(behind));
    CHECK(got == std::vector<int>{2});
}
