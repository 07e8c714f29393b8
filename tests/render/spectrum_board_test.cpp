// SPDX-License-Identifier: GPL-3.0-or-later
// The board laid out: true to frequency, nothing on top of another, whatever there is of it.
#include "render/spectrum_board.h"

#include <QImage>
#include <catch2/catch.hpp>
#include <random>

using namespace yemvo;
using namespace yemvo::render;

namespace {

Board board_of(int radios, unsigned seed) {
    std::mt19937 random(seed);
    Board board;
    board.country = "DE";
    for (int i = 0; i < radios; ++i) {
        const BandId id{static_cast<std::uint8_t>(random() % 3)};
        const int width = id == band_24 ? 20 : 20 << (random() % 3);
        const auto all = channels(id, width);
        BoardBlock b;
        b.channel = all[random() % all.size()];
        b.primary = primaries(b.channel).front();
        b.label = QString::number(i + 1);
        b.order = static_cast<int>(random() % 40);
        b.use = static_cast<double>(random() % 100) / 100;
        board.blocks.push_back(b);
    }
    return board;
}

QImage painted(const Board& board, const BoardLayout& layout) {
    QImage image(1280, static_cast<int>(layout.height()) + 1, QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter p(&image);
    paint_board(p, board, layout, Palette::light());
    return image;
}

}  // namespace

TEST_CASE("blocks lie at their frequencies, stand over each other and never overlap") {
    for (int radios : {0, 1, 30, 400}) {
        const Board board = board_of(radios, static_cast<unsigned>(radios));
        const BoardLayout layout(board, {1280, 320}, 600);
        for (std::size_t i = 0; i < board.blocks.size(); ++i) {
            const BoardBlock& b = board.blocks[i];
            const BoardLane& lane = *layout.lane(b.channel.band);
            const QRectF box = layout.rect(i);
            CHECK(lane.mhz(box.center().x()) == Approx(centre_mhz(b.channel)).margin(0.5));
            CHECK(box.width() == Approx(b.channel.width_mhz * lane.px_per_mhz).margin(1.1));
            CHECK(lane.area.adjusted(-1, -1, 1, 1).contains(box));
            for (std::size_t k = 0; k < i; ++k) CHECK_FALSE(box.intersects(layout.rect(k)));
            REQUIRE(layout.hit(box.center()));
            CHECK(layout.hit(box.center())->block == i);
        }
        // lanes one below the other, the list beside the first
        for (std::size_t l = 1; l < layout.lanes().size(); ++l)
            CHECK(layout.lanes()[l].area.top() == Approx(layout.lanes()[l - 1].area.bottom()));
        CHECK(layout.beside().width() > 500);
        CHECK_FALSE(painted(board, layout).isNull());
    }
}

TEST_CASE("edges of a block are its own parts, and beside blocks there is nothing") {
    Board board = board_of(0, 1);
    BoardBlock b;
    b.channel = {band_5, 42, 80};
    board.blocks.push_back(b);
    const BoardLayout layout(board, {1280, 320}, 0);
    const QRectF box = layout.rect(0);
    using enum BoardHit::Part;
    CHECK(layout.hit({box.left() + 1, box.center().y()})->part == left_edge);
    CHECK(layout.hit({box.right() - 1, box.center().y()})->part == right_edge);
    CHECK(layout.hit(box.center())->part == body);
    CHECK_FALSE(layout.hit({box.right() + 20, box.center().y()}));
    CHECK(layout.lane_at(box.center())->band == band_5);
}

TEST_CASE("what stays still looks the same while a chosen block moves") {
    Board board = board_of(30, 5);
    board.blocks[3].channel = {band_5, 36, 20};
    board.blocks[3].selected = true;
    board.blocks[3].order = 1000;  // on top of its stack, so that the others keep their rows
    const BoardLayout before(board, {1280, 400}, 0);
    const std::size_t key = still_key(board, before);
    board.ties.push_back({3, 4, 0.3, false, true});
    CHECK(still_key(board, before) == key);
    board.blocks[5].label = "other";
    CHECK(still_key(board, before) != key);
    board.blocks[5].label = "6";
    board.blocks[5].locked = true;
    CHECK(still_key(board, before) != key);
    // ground, still blocks and the chosen on top are the whole
    QImage parts(1280, static_cast<int>(before.height()) + 1, QImage::Format_RGB32);
    parts.fill(Qt::white);
    QPainter p(&parts);
    paint_board_ground(p, before, Palette::light());
    paint_board_blocks(p, board, before, Palette::light(), BlockPart::still);
    paint_board_blocks(p, board, before, Palette::light(), BlockPart::chosen);
    p.end();
    CHECK(parts == painted(board, before));
}

TEST_CASE("what is dragged lies over the others, which keep their places wherever it goes") {
    Board board = board_of(30, 5);
    board.blocks[3].lifted = true;
    board.blocks[3].order = -1000;  // it would stand right on the axis
    std::optional<std::size_t> still;
    for (const Channel& c : {Channel{band_5, 36, 20}, Channel{band_5, 42, 80}, Channel{band_5, 106, 80},
                             Channel{band_5, 165, 20}}) {
        board.blocks[3].channel = c;
        const BoardLayout layout(board, {1280, 900}, 0);
        const QRectF own = layout.rect(3);
        for (std::size_t i = 0; i < board.blocks.size(); ++i) {
            if (i == 3) continue;
            const QRectF r = layout.rect(i);
            CHECK_FALSE(r.intersects(own));
            if (r.left() < own.right() && r.right() > own.left() && board.blocks[i].channel.band == band_5)
                CHECK(r.bottom() > own.bottom());
        }
        board.blocks[3].selected = true;  // as what is dragged is
        const std::size_t key = still_key(board, layout);
        CHECK(key == still.value_or(key));
        still = key;
    }
}

TEST_CASE("stretches say what holds there in few words") {
    BandStretch s{5600, 5650, false, true, false, 30, 600, "weather radar"};
    CHECK(stretch_name(s) == "weather radar, 10 min wait");
    s = {5150, 5250, false, false, true, 23, 0, {}};
    CHECK(stretch_name(s) == "indoor only");
    s = {5725, 5875, false, false, false, 13.98, 0, {}};
    CHECK(stretch_name(s) == "25 mW only");
    s.barred = true;
    CHECK(stretch_name(s) == "barred");
    s = {2400, 2483.5, false, false, false, 20, 0, {}};
    CHECK(stretch_name(s).isEmpty());
}
