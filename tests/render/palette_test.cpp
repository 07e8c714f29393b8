// SPDX-License-Identifier: GPL-3.0-or-later
// Colours held against what eyes and printers make of them.
#include "render/palette.h"

#include <QLocale>
#include <cmath>

#include "base/length_text.h"
#include "base/number_text.h"
#include "core/support.h"
#include "render/text_style.h"

using namespace yemvo;
using namespace yemvo::render;

namespace {

struct Linear {
    double r, g, b;
};

double linear(double v) { return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); }
Linear linear(const QColor& c) { return {linear(c.redF()), linear(c.greenF()), linear(c.blueF())}; }

double luminance(const Linear& c) { return 0.2126 * c.r + 0.7152 * c.g + 0.0722 * c.b; }
double contrast(const QColor& a, const QColor& b) {
    const double x = luminance(linear(a)), y = luminance(linear(b));
    return (std::max(x, y) + 0.05) / (std::min(x, y) + 0.05);
}

/// CIE 1976 L*a*b*, white D65.
struct Lab {
    double l, a, b;
};
Lab lab(const Linear& c) {
    const auto f = [](double t) { return t > 0.008856 ? std::cbrt(t) : 7.787 * t + 16.0 / 116; };
    const double x = (0.4124 * c.r + 0.3576 * c.g + 0.1805 * c.b) / 0.95047,
                 y = 0.2126 * c.r + 0.7152 * c.g + 0.0722 * c.b,
                 z = (0.0193 * c.r + 0.1192 * c.g + 0.9505 * c.b) / 1.08883;
    return {116 * f(y) - 16, 500 * (f(x) - f(y)), 200 * (f(y) - f(z))};
}
double difference(const Lab& p, const Lab& q) { return std::hypot(p.l - q.l, p.a - q.a, p.b - q.b); }

/// How a person without one kind of cone sees a colour: Machado, Oliveira and Fernandes, "A
/// physiologically-based model for simulation of color vision deficiency", IEEE TVCG 15(6), 2009, severity 1.
enum class Eye { usual, protan, deutan };
Linear seen(const Linear& c, Eye eye) {
    switch (eye) {
        case Eye::protan:
            return {0.152286 * c.r + 1.052583 * c.g - 0.204868 * c.b,
                    0.114503 * c.r + 0.786281 * c.g + 0.099216 * c.b,
                    -0.003882 * c.r - 0.048116 * c.g + 1.051998 * c.b};
        case Eye::deutan:
            return {0.367322 * c.r + 0.860646 * c.g - 0.227968 * c.b,
                    0.280085 * c.r + 0.672501 * c.g + 0.047413 * c.b,
                    -0.011820 * c.r + 0.042940 * c.g + 0.968881 * c.b};
        case Eye::usual:
            break;
    }
    return c;
}
Lab seen(const QColor& c, Eye eye) { return lab(seen(linear(c), eye)); }

const Palette* themes[] = {&Palette::light(), &Palette::dark()};
constexpr Eye eyes[] = {Eye::usual, Eye::protan, Eye::deutan};

}  // namespace

TEST_CASE("a map's steps get steadily lighter, so that it reads in a grey print and to every eye") {
    for (const Palette* p : themes)
        for (Eye eye : eyes)
            for (std::size_t i = 1; i < p->steps.size(); ++i) {
                INFO(i);
                CHECK(seen(p->steps[i], eye).l > seen(p->steps[i - 1], eye).l + 0.8);
            }
}

TEST_CASE("steps beside each other can be told apart by every eye") {
    for (const Palette* p : themes)
        for (Eye eye : eyes)
            for (std::size_t i = 1; i < p->steps.size(); ++i)
                CHECK(difference(seen(p->steps[i], eye), seen(p->steps[i - 1], eye)) > 2.5);
}

TEST_CASE(
    "better and worse are never told by red against green: each eye tells the two ends and the middle "
    "apart") {
    for (const Palette* p : themes)
        for (Eye eye : eyes) {
            const Lab worst = seen(p->change.front(), eye), none = seen(p->change[5], eye),
                      best = seen(p->change.back(), eye);
            CHECK(difference(worst, best) > 35);
            CHECK(difference(worst, none) > 20);
            CHECK(difference(best, none) > 20);
            for (std::size_t i = 1; i < p->change.size(); ++i)
                CHECK(difference(seen(p->change[i], eye), seen(p->change[i - 1], eye)) > 2);
        }
}

TEST_CASE(
    "the bands' colours stand off their grounds, and each pair is told apart by every eye or by its form") {
    for (const Palette* p : themes) {
        for (const BandColour& b : p->bands) {
            CHECK(contrast(b.solid, p->paper) >= 3);
            CHECK(contrast(b.solid, p->tile) >= 3);
            CHECK(contrast(b.on_solid, b.solid) >= 4.5);
        }
        for (Eye eye : eyes)
            for (std::size_t i = 0; i < 3; ++i)
                for (std::size_t k = 0; k < i; ++k)
                    CHECK(difference(seen(p->bands[i].solid, eye), seen(p->bands[k].solid, eye)) > 12);
    }
}

TEST_CASE("text is readable on every ground that it stands on") {
    for (const Palette* p : themes) {
        for (const QColor& ground :
             {p->paper, p->floor, p->chrome, p->field, p->tile, p->button, p->accent_tint})
            CHECK(contrast(p->ink, ground) >= 7);
        for (const QColor& ground : {p->paper, p->chrome, p->field}) {
            CHECK(contrast(p->muted, ground) >= 4.5);
            CHECK(contrast(p->not_met, ground) >= 4.5);
            CHECK(contrast(p->near, ground) >= 4.4);
            CHECK(contrast(p->accent, ground) >= 4.5);
        }
        CHECK(contrast(p->on_accent, p->accent) >= 4.5);
        // a failing figure stands on its tint too; a field is seen on a panel and on paper
        CHECK(contrast(p->not_met, p->not_met_tint) >= 4.5);
        for (const QColor& ground : {p->field, p->chrome, p->paper}) CHECK(contrast(p->edge, ground) >= 3);
    }
}

TEST_CASE("walls of each family stand off the floor") {
    for (const Palette* p : themes)
        for (int f = 0; f < 7; ++f) CHECK(contrast(p->family(static_cast<Family>(f)), p->floor) >= 2.5);
}

TEST_CASE("tints of serving areas are light enough for the ink of numbers") {
    for (const Palette* p : themes)
        for (const QColor& tint : p->serving) CHECK(contrast(p->ink, tint) >= 4.5);
}

TEST_CASE(
    "numbers are written with the desktop's decimal sign, and read whatever digits and signs were typed") {
    const QLocale before;
    struct Expected {
        const char* locale;
        QString written;
    };
    for (const Expected& e : {Expected{"C", "12.50"},
                              {"de_DE", "12,50"},
                              {"fa_IR", QString("12%1").arg(QLocale("fa_IR").decimalPoint()) + "50"}}) {
        QLocale::setDefault(QLocale(e.locale));
        INFO(e.locale);
        CHECK(figure(12.5, 2) == e.written);
        CHECK(figure(-3, 1).startsWith(QChar(0x2212)));
        CHECK(local("12.50 m, no. 7.") == e.written + " m, no. 7.");
        CHECK(local("-3 m (-2), 4-5 by ITU-R P.2040-3") ==
              QStringLiteral("\u22123 m (\u22122), 4-5 by ITU-R P.2040-3").replace('.', '.'));
        CHECK(yemvo::read_number(plain(e.written)) == 12.5);
        // what is typed in another way is understood as well
        CHECK(yemvo::read_number(plain("12.5")) == 12.5);
        CHECK(yemvo::read_number(plain("12,5")) == 12.5);
        CHECK(yemvo::read_number(plain(QString(QChar(0x2212)) + "3")) == -3);
        CHECK(yemvo::read_number(plain(QString::fromUtf8("\u06F1\u06F2\u066B\u06F5"))) == 12.5);
        CHECK_FALSE(yemvo::read_number(plain("12.5 m")));
        CHECK(yemvo::parse_length_m(plain("3,8 m")) == Approx(3.8));
        // files know no language
        CHECK(yemvo::plain_number(12.5, 2) == "12.50");
        CHECK(yemvo::format_length(12.5, yemvo::LengthUnits::metres) == "12.50 m");
    }
    QLocale::setDefault(before);
}
