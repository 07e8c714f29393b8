// How benchmarks measure: many runs, and the spread told.
#pragma once
#include <algorithm>
#include <chrono>
#include <cstdio>
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

inline void print(const char* what, const Figures& f) {
    std::printf("%-50s median %7.2f ms   95 %% under %7.2f ms   worst %7.2f ms\n", what, f.median_ms,
                f.most_ms, f.worst_ms);
}

}  // namespace yemvo::bench
