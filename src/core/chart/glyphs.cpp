// SPDX-License-Identifier: GPL-3.0-or-later
#include "chart/glyphs.h"

#include <array>
#include <nlohmann/json.hpp>
#include <opencv2/imgproc.hpp>
#include <vector>

#include "embedded/chart.h"

namespace yemvo::chart {
namespace {

constexpr int columns = 10, rows = 14;

struct Form {
    int digit;
    double wide;
    std::array<float, columns * rows> grey;
};

/// Of common fonts, made by tools/digits.py.
const std::vector<Form>& forms() {
    static const std::vector<Form> known = [] {
        const auto bytes = embedded_chart("digits.json");
        const char* text = reinterpret_cast<const char*>(bytes.data());
        std::vector<Form> made;
        const nlohmann::json all = nlohmann::json::parse(text, text + bytes.size());
        for (const auto& entry : all.at("forms")) {
            Form form{entry["digit"].get<int>(), entry["wide"].get<double>(), {}};
            const std::string grey = entry["grey"].get<std::string>();
            for (std::size_t i = 0; i < form.grey.size(); ++i)
                form.grey[i] = static_cast<float>(std::stoi(grey.substr(i, 1), nullptr, 16)) / 15;
            made.push_back(form);
        }
        return made;
    }();
    return known;
}

}  // namespace

std::optional<int> digit_of(const cv::Mat1f& ink) {
    cv::Mat1f grid;
    cv::resize(ink, grid, {columns, rows}, 0, 0, ink.rows > 2 * rows ? cv::INTER_AREA : cv::INTER_LINEAR);
    double most = 0;
    cv::minMaxLoc(grid, nullptr, &most);
    if (most <= 0) return std::nullopt;
    const double wide = static_cast<double>(ink.cols) / ink.rows;
    if (wide < 0.18) return std::nullopt;  // a piece of a line
    std::array<double, 10> best;
    best.fill(1e9);
    for (const Form& f : forms()) {
        double apart = 0;
        for (int y = 0; y < rows; ++y)
            for (int x = 0; x < columns; ++x)
                apart += std::abs(grid(y, x) / static_cast<float>(most) -
                                  f.grey[static_cast<std::size_t>(y * columns + x)]);
        const double distance = apart / (columns * rows) + 0.4 * std::abs(wide - f.wide);
        auto& of_digit = best[static_cast<std::size_t>(f.digit)];
        of_digit = std::min(of_digit, distance);
    }
    const auto nearest = std::min_element(best.begin(), best.end());
    if (*nearest > 0.27) return std::nullopt;
    return static_cast<int>(nearest - best.begin());
}

}  // namespace yemvo::chart
