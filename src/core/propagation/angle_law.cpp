// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/angle_law.h"

#include <array>
#include <cmath>
#include <numbers>

namespace yemvo {
namespace {

double angle_deg(double u) { return std::acos(std::clamp(u, 0.0, 1.0)) * 180 / std::numbers::pi; }

/// Even pieces, or sixteen that are finer towards grazing angles, where resonances of layers crowd.
struct Pieces {
    int count;
    double bend;  ///< at = scale (u - bend u^2) + start
    double scale() const {
        const double low = double{AngleLaw::least_u};
        return count / ((1 - bend) - (low - bend * low * low));
    }
    double start() const {
        const double low = double{AngleLaw::least_u};
        return -scale() * (low - bend * low * low);
    }
    double u(double at) const {
        const double q = (at - start()) / scale();
        return bend == 0 ? q : (1 - std::sqrt(std::max(0.0, 1 - 4 * bend * q))) / (2 * bend);
    }
};
constexpr Pieces coarse_pieces{8, 0}, fine_pieces{AngleLaw::most_pieces, 1 / 2.2};

/// The cubic through f at v = -0.5, -1/6, 1/6 and 0.5: joints stay continuous.
std::array<double, 4> cubic(const std::array<double, 4>& f) {
    const double even = (f[1] + f[2]) / 2, odd = (f[2] - f[1]) / 2, far_even = (f[0] + f[3]) / 2,
                 far_odd = (f[3] - f[0]) / 2;
    constexpr double near = 1.0 / 6, far = 0.5;
    const double c2 = (far_even - even) / (far * far - near * near), c0 = even - c2 * near * near;
    const double c3 = (far_odd / far - odd / near) / (far * far - near * near),
                 c1 = odd / near - c3 * near * near;
    return {c0, c1, c2, c3};
}

}  // namespace

AngleLaw AngleLaw::constant(double loss_db) {
    AngleLaw law;
    law.c[0].fill(static_cast<float>(loss_db));
    return law;
}

namespace {

/// `loss_db(u)`: the law that is put on the pieces.
template <class Loss>
AngleLaw law_on(const Pieces& pieces, Loss loss_db) {
    AngleLaw law;
    law.flat = false;
    law.pieces = pieces.count;
    law.place = {static_cast<float>(pieces.start()), static_cast<float>(pieces.scale()),
                 static_cast<float>(-pieces.scale() * pieces.bend)};
    const auto at = [&](double where) { return loss_db(pieces.u(where)); };
    for (std::size_t i = 0; i < static_cast<std::size_t>(pieces.count); ++i) {
        const double first = static_cast<double>(i);
        const auto c = cubic({at(first), at(first + 1.0 / 3), at(first + 2.0 / 3), at(first + 1)});
        for (std::size_t k = 0; k < c.size(); ++k) law.c[k][i] = static_cast<float>(c[k]);
    }
    return law;
}

AngleLaw law_on(const Pieces& pieces, const WallType& type, double frequency_ghz) {
    return law_on(pieces, [&](double u) { return loss_at_angle_db(type, frequency_ghz, angle_deg(u)); });
}

bool close(const AngleLaw& law, const WallType& type, double frequency_ghz) {
    constexpr double most_off_db = 0.05;
    constexpr int checks = 49;  // between the places that the pieces go through
    for (int i = 0; i < checks; ++i) {
        const double u = double{AngleLaw::least_u} + (1 - double{AngleLaw::least_u}) * (i + 0.5) / checks;
        if (std::abs(law.loss_db(u) - loss_at_angle_db(type, frequency_ghz, angle_deg(u))) > most_off_db)
            return false;
    }
    return true;
}

}  // namespace

std::vector<AngleLaw> angle_laws(const WallType& type, const std::vector<double>& frequencies_ghz) {
    std::vector<AngleLaw> laws;
    const bool constant = type.layers.empty() || type.use == TypeUse::obstacle;
    bool all_close = true;
    for (double ghz : frequencies_ghz) {
        laws.push_back(constant ? AngleLaw::constant(loss_db(type, ghz)) : law_on(coarse_pieces, type, ghz));
        all_close = all_close && (constant || close(laws.back(), type, ghz));
    }
    if (!all_close)
        for (std::size_t i = 0; i < laws.size(); ++i) laws[i] = law_on(fine_pieces, type, frequencies_ghz[i]);
    return laws;
}

std::vector<AngleLaw> on_same_pieces(std::vector<AngleLaw> laws) {
    bool all_flat = true, any_fine = false;
    for (const AngleLaw& law : laws) {
        all_flat = all_flat && law.flat;
        any_fine = any_fine || (!law.flat && law.pieces == AngleLaw::most_pieces);
    }
    if (all_flat) return laws;
    const Pieces& pieces = any_fine ? fine_pieces : coarse_pieces;
    for (AngleLaw& law : laws)
        if (law.flat || law.pieces != pieces.count)
            law = law_on(pieces, [old = law](double u) { return old.loss_db(u); });
    return laws;
}

}  // namespace yemvo
