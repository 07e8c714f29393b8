// SPDX-License-Identifier: GPL-3.0-or-later
// The legend of every lens: its strip, its handle, its words, its shares.
#include "render/legend.h"

#include "core/support.h"
#include "project/edits.h"

using namespace yemvo;
using namespace yemvo::render;

namespace {

const QPointF corner(700, 600);

/// A floor of 20 x 10 cells of 1 m with a value a cell, all shown.
struct MadeFloor {
    FloorPrediction floor;
    std::vector<float> values;
    explicit MadeFloor(const std::function<float(std::size_t)>& value) {
        floor.surface.cell_m = 1;
        floor.surface.columns = 20;
        floor.surface.rows = 10;
        auto mask = std::make_shared<CellMask>();
        mask->shown.assign(floor.surface.cells(), 1);
        mask->inside = mask->demanded = mask->shown;
        floor.mask = mask;
        for (std::size_t i = 0; i < floor.surface.cells(); ++i) values.push_back(value(i));
    }
};

std::vector<MapChoice> every_amount() {
    std::vector<MapChoice> list;
    for (const LensInfo& info : lenses())
        if (!info.is_choice()) list.push_back({info.id, band_5, info.limit});
    return list;
}

}  // namespace

TEST_CASE("on every legend a value stands where its place says it does, and rises to the right") {
    for (const MapChoice& choice : every_amount()) {
        INFO(lens(choice.lens).name);
        const LegendLayout legend(corner, choice);
        const MapScale scale = scale_of(choice);
        double last = -1e9;
        for (int i = 0; i <= scale.steps; ++i) {
            const double value = scale.low + i * scale.step;
            const double x = legend.x_of(value);
            CHECK(x > last);
            CHECK(x >= legend.strip().left() - 0.5);
            CHECK(x <= legend.strip().right() + 0.5);
            CHECK(legend.value_at(x) == Approx(value).margin(scale.step / 4));
            last = x;
        }
        // beyond its ends the handle stays on the strip
        CHECK(legend.value_at(-1e6) == Approx(scale.low));
        CHECK(legend.value_at(1e6) == Approx(scale.high()));
        CHECK(QRectF(0, 0, corner.x(), corner.y()).contains(legend.frame()));
    }
}

TEST_CASE("a lens coloured otherwise begins where it is told, in steps so wide, and the legend follows") {
    Project p;
    set_colours(p, {"signal", -80, 2, "grey"});
    const MapChoice choice = coloured({LensId::signal, band_5, -67}, p);
    const MapScale scale = scale_of(choice);
    CHECK(scale.low == -80);
    CHECK(scale.high() == -56);
    CHECK(scale.colour(Palette::light(), 11) == Palette::light().greys[11]);
    const LegendLayout legend(corner, choice);
    CHECK(legend.value_at(legend.strip().center().x()) == Approx(-68));
    // another lens, and a change, are as usual
    CHECK(scale_of(coloured({LensId::snr, band_5, 25}, p)).step == lens(LensId::snr).step);
    MapChoice change = choice;
    change.against = Against::last_edit;
    CHECK(scale_of(change).step == 2);
    CHECK(scale_of(change).colour(Palette::light(), 0) == Palette::light().change[0]);
    reset_colours(p, "signal");
    CHECK(scale_of(coloured(choice, p)).low == lens(LensId::signal).low);
}

TEST_CASE("the title names the lens and the bands, and a change what it is held against") {
    CHECK(LegendLayout(corner, {LensId::signal, band_5, -67}).title() == "Signal, 5 GHz");
    CHECK(LegendLayout(corner, {LensId::snr, BandSet(band_5).with(band_6, true), 25}).title() ==
          "SNR, 5 and 6 GHz");
    MapChoice choice{LensId::signal, band_6, -67};
    choice.against = Against::variant;
    LegendLayout legend(corner, choice);
    legend.set_other("against variant B");
    CHECK(legend.title() == "Signal, 6 GHz, against variant B");
    CHECK_FALSE(legend.has_handle());
    CHECK_FALSE(LegendLayout(corner, {LensId::serving, band_5, 0}).has_handle());
}

TEST_CASE(
    "the shares of all steps make up the floor, and what keeps the threshold is the same either way "
    "counted") {
    for (const MapChoice& choice : every_amount()) {
        INFO(lens(choice.lens).name);
        const MapScale scale = scale_of(choice);
        const MadeFloor floor([&](std::size_t i) {
            return static_cast<float>(scale.low + scale.step * (static_cast<double>(i % 25) * 0.5 + 0.25));
        });
        const MapStatistics s = statistics(floor.floor, floor.values, choice);
        double sum = 0;
        for (double share : s.by_step) sum += share;
        CHECK(sum == Approx(1));
        std::size_t kept = 0;
        for (float v : floor.values)
            kept += scale.more_is_better ? double{v} >= choice.threshold : double{v} <= choice.threshold;
        CHECK(s.share_kept == Approx(static_cast<double>(kept) / 200));
    }
}

TEST_CASE("places that are not shown, and those without a value, count for nothing or for what fails") {
    MadeFloor floor([](std::size_t i) { return i < 100 ? -50.0f : std::numeric_limits<float>::quiet_NaN(); });
    MapStatistics s = statistics(floor.floor, floor.values, {LensId::signal, band_5, -67});
    CHECK(s.share_kept == Approx(0.5));
    auto mask = std::make_shared<CellMask>(*floor.floor.mask);
    std::fill(mask->shown.begin() + 100, mask->shown.end(), std::uint8_t{0});
    floor.floor.mask = mask;
    s = statistics(floor.floor, floor.values, {LensId::signal, band_5, -67});
    CHECK(s.share_kept == Approx(1));
}

TEST_CASE("of a change the legend counts what is better and what is worse by more than its middle step") {
    MapChoice choice{LensId::signal, band_5, -67};
    choice.against = Against::last_edit;
    const MadeFloor floor([](std::size_t i) { return i < 60 ? 5.0f : i < 80 ? -4.0f : 0.1f; });
    const MapStatistics s = statistics(floor.floor, floor.values, choice);
    CHECK(s.share_better == Approx(0.3));
    CHECK(s.share_worse == Approx(0.1));
    // for a lens of which less is better it is the other way round
    choice.lens = LensId::contention;
    const MapStatistics air = statistics(floor.floor, floor.values, choice);
    CHECK(air.share_better == Approx(0.1));
    CHECK(air.share_worse == Approx(0.3));
}

TEST_CASE("areas of the serving lens are listed with their size, the largest first") {
    const MadeFloor floor([](std::size_t i) { return i < 30 ? 4.0f : i < 150 ? 9.0f : 2.0f; });
    const MapStatistics s = statistics(floor.floor, floor.values, {LensId::serving, band_5, 0});
    REQUIRE(s.areas.size() == 3);
    CHECK(s.areas[0].number == 9);
    CHECK(s.areas[0].area_m2 == Approx(120));
    CHECK(s.areas[1].number == 2);
    CHECK(s.areas[2].number == 4);
    CHECK(s.areas[2].area_m2 == Approx(30));
}

TEST_CASE("every legend paints inside its frame and leaves the plan beside it alone") {
    auto choices = every_amount();
    choices.push_back({LensId::serving, band_5, 0});
    choices.push_back({LensId::serving_band, BandSet(band_5).with(band_6, true), 0});
    for (const MapChoice& choice : choices) {
        INFO(lens(choice.lens).name);
        const MadeFloor floor([&](std::size_t i) {
            return lens(choice.lens).is_choice() ? static_cast<float>(i % 3)
                                                 : static_cast<float>(lens(choice.lens).low + 3);
        });
        QImage image(700, 600, QImage::Format_ARGB32_Premultiplied);
        image.fill(Qt::magenta);
        QPainter p(&image);
        p.setRenderHint(QPainter::Antialiasing);
        const LegendLayout legend(corner, choice);
        legend.paint(p, statistics(floor.floor, floor.values, choice), Palette::light());
        p.end();
        const QRect frame = legend.frame().toAlignedRect().adjusted(-2, -2, 2, 2);
        int outside = 0, inside = 0;
        for (int y = 0; y < image.height(); ++y)
            for (int x = 0; x < image.width(); ++x) {
                const bool touched = image.pixelColor(x, y) != QColor(Qt::magenta);
                (frame.contains(x, y) ? inside : outside) += touched;
            }
        CHECK(outside == 0);
        CHECK(inside > frame.width() * frame.height() / 2);
    }
}
