// SPDX-License-Identifier: GPL-3.0-or-later
// How benchmarks measure: many runs, and the spread told.
#pragma once
#include <algorithm>
#include <chrono>
#include <cstdio>
#include <ctime>
#include <vector>

namespace yemvo::bench {

struct Figures {
    double median_ms, most_ms, worst_ms;  ///< most: nineteen of twenty are quicker
};

inline Figures figures(std::vector<double> ms) {
    std::sort(ms.begin(), ms.end());
    return {ms[ms.size() / 2], ms[ms.size() * 19 / 20], ms.back()};
}

template <class Work>
double milliseconds(Work work) {
    const auto start = std::chrono::steady_clock::now();
    work();
    return std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - start).count();
}

/// CPU time of all threads [ms].
template <class Work>
double cpu_milliseconds(Work work) {
    const std::clock_t start = std::clock();
    work();
    return 1e3 * static_cast<double>(std::clock() - start) / CLOCKS_PER_SEC;
}

/// Wall and CPU time of the same runs.
struct Times {
    std::vector<double> wall_ms, cpu_ms;
    template <class Work>
    void take(Work work) {
        cpu_ms.push_back(cpu_milliseconds([&] { wall_ms.push_back(milliseconds(work)); }));
    }
};

inline void print(const char* what, const Figures& f) {
    std::printf("%-50s median %7.2f ms   95 %% under %7.2f ms   worst %7.2f ms\n", what, f.median_ms,
                f.most_ms, f.worst_ms);
}

inline void print(const char* what, const Times& t) {
    print(what, figures(t.wall_ms));
    print("  the same in CPU time of both cores", figures(t.cpu_ms));
}

}  // namespace yemvo::bench
