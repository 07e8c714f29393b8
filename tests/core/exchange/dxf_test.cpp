// SPDX-License-Identifier: GPL-3.0-or-later
// DXF details that the comparison with an independent program (tests/exchange) does not reach.
#include <chrono>

#include "core/support.h"
#include "exchange/dxf_reader.h"
#include "exchange/dxf_text.h"

using namespace yemvo;

namespace {

Bytes dxf(const std::string& entities, const std::string& blocks = {}, const std::string& layers = {}) {
    const std::string text = "0\nSECTION\n2\nTABLES\n0\nTABLE\n2\nLAYER\n" + layers +
                             "0\nENDTAB\n0\nENDSEC\n0\nSECTION\n2\nBLOCKS\n" + blocks +
                             "0\nENDSEC\n0\nSECTION\n2\nENTITIES\n" + entities + "0\nENDSEC\n0\nEOF\n";
    const auto* begin = reinterpret_cast<const std::byte*>(text.data());
    return {begin, begin + text.size()};
}

std::string line(const char* layer) {
    return std::string("0\nLINE\n8\n") + layer + "\n10\n0\n20\n0\n11\n3\n21\n4\n";
}

const CadLayer* layer(const CadDrawing& d, const char* name) {
    for (const CadLayer& l : d.layers)
        if (l.name == name) return &l;
    return nullptr;
}

}  // namespace

TEST_CASE("what lies on layer 0 of a block is on the layer that the block was put on, through all nesting") {
    const std::string blocks =
        "0\nBLOCK\n2\nIN\n10\n0\n20\n0\n" + line("0") + line("DOORS") + "0\nENDBLK\n" +
        "0\nBLOCK\n2\nOUT\n10\n0\n20\n0\n0\nINSERT\n2\nIN\n8\n0\n10\n0\n20\n0\n0\nENDBLK\n";
    const CadDrawing d = read_dxf(dxf("0\nINSERT\n2\nOUT\n8\nWALLS\n10\n5\n20\n5\n", blocks), "a.dxf");
    REQUIRE(layer(d, "WALLS"));
    CHECK(layer(d, "WALLS")->segments == 1);
    CHECK(layer(d, "WALLS")->length == Approx(5));
    CHECK(layer(d, "DOORS")->segments == 1);
}

TEST_CASE("a block put on a frozen layer is hidden with it, whatever its own layers are") {
    const std::string layers = "0\nLAYER\n2\nCHAIRS\n70\n1\n62\n7\n",
                      blocks = "0\nBLOCK\n2\nIN\n10\n0\n20\n0\n" + line("WALLS") + "0\nENDBLK\n";
    const CadDrawing d =
        read_dxf(dxf("0\nINSERT\n2\nIN\n8\nCHAIRS\n10\n0\n20\n0\n" + line("WALLS"), blocks, layers), "a.dxf");
    CHECK(layer(d, "WALLS")->segments == 2);
    std::size_t shown = 0;
    const auto by_layer = shown_layers(d, hidden_in_file(d));
    for (const CadLine& l : d.lines) shown += is_shown(l, by_layer);
    CHECK(shown == 1);
}

TEST_CASE("blocks in a circle, and arrays of arrays, end with what there is room for and say so") {
    const std::string circle =
        "0\nBLOCK\n2\nA\n10\n0\n20\n0\n" + line("0") + "0\nINSERT\n2\nA\n10\n1\n20\n1\n0\nENDBLK\n";
    const CadDrawing looped = read_dxf(dxf("0\nINSERT\n2\nA\n10\n0\n20\n0\n", circle), "loop.dxf");
    CHECK(looped.lines.size() < 100);
    CHECK(looped.skipped[0].why.english().find("circle") != std::string::npos);

    std::string bomb = "0\nBLOCK\n2\nB0\n10\n0\n20\n0\n" + line("0") + "0\nENDBLK\n";
    for (int i = 1; i < 6; ++i)
        bomb += "0\nBLOCK\n2\nB" + std::to_string(i) + "\n10\n0\n20\n0\n0\nINSERT\n2\nB" +
                std::to_string(i - 1) + "\n10\n0\n20\n0\n70\n1000\n71\n1000\n44\n1\n45\n1\n0\nENDBLK\n";
    const CadDrawing bombed = read_dxf(dxf("0\nINSERT\n2\nB5\n10\n0\n20\n0\n", bomb), "bomb.dxf");
    CHECK(bombed.pieces() <= most_cad_pieces);
    CHECK(bombed.pieces() > 1000);
    CHECK_FALSE(bombed.skipped.empty());
}

TEST_CASE("a reading of a DXF can be stopped") {
    const CancelToken stop;
    stop.cancel();
    CHECK_THROWS_AS(read_dxf(dxf(line("0")), "a.dxf", stop), Cancelled);
}

TEST_CASE("what holds nothing to show is told with what was left out") {
    CHECK_THROWS_WITH(read_dxf(dxf("0\nHATCH\n8\nA\n"), "hatch.dxf"),
                      Catch::Contains("hatch.dxf") && Catch::Contains("HATCH"));
    CHECK_THROWS_WITH(read_dxf({}, "none.dxf"), Catch::Contains("empty"));
}

TEST_CASE("an arc's length and box are those of the circle and the ellipse") {
    CadArc circle;
    circle.centre = {1, 2};
    circle.u = {3, 0};
    circle.v = {0, 3};
    circle.from = 0.5;
    circle.sweep = 2;
    CHECK(length(circle) == Approx(6));
    circle.sweep = 2 * 3.14159265358979;
    CHECK(bounds(circle).low.x == Approx(-2));
    CHECK(bounds(circle).high.y == Approx(5));
    CadArc ellipse = circle;  // half axes 3 and 1: circumference by Ramanujan's second formula 13.36489
    ellipse.v = {0, 1};
    CHECK(length(ellipse) == Approx(13.36489).epsilon(1e-5));
    const auto points = flattened(circle, 0.01);
    for (Point p : points) CHECK(distance(p, {1, 2}) == Approx(3));
}

TEST_CASE("words lose their formatting and keep their letters") {
    CHECK(plain_text("%%c12 at 90%%d") ==
          "\u2300"
          "12 at 90°");
    CHECK(plain_mtext("{\\fArial|b1;Room 12}\\P\\S1/2; m\\~wide") == "Room 12\n1/2 m wide");
    CHECK(DxfTextDecoder("AC1015", "ANSI_1252").decode("W\xe4nde") == "Wände");
    CHECK(DxfTextDecoder("AC1032", "ANSI_1252").decode("Wände") == "Wände");
    CHECK(DxfTextDecoder("AC1015", "ANSI_1251").decode("\xf1\xf2\xe5\xed\xe0") == "стена");
    CHECK(DxfTextDecoder("AC1009", "").decode("T\\U+00fcr") == "Tür");
    CHECK(DxfTextDecoder("AC1032", "").decode("bad \xff byte") == "bad ÿ byte");
}

TEST_CASE("an unknown unit is guessed so that a plan is as large as plans are") {
    const auto guess = [](double side, bool imperial) {
        CadDrawing d;
        d.layers.resize(1);
        CadLine l;
        l.b = {side, side / 2};
        d.lines.push_back(l);
        d.imperial = imperial;
        return cad_unit_name(likely_unit(d));
    };
    CHECK(guess(60'000, false) == "mm");
    CHECK(guess(45, false) == "m");
    CHECK(guess(1800, true) == "in");
    CHECK(guess(150, true) == "ft");
}

namespace {

std::string groups(const std::vector<std::pair<int, std::string>>& list) {
    std::string text;
    for (const auto& [code, value] : list) text += std::to_string(code) + "\n" + value + "\n";
    return text;
}

CadDrawing read_text(const std::string& text) {
    Bytes bytes;
    for (char c : text) bytes.push_back(static_cast<std::byte>(c));
    return read_dxf(bytes, "plan.dxf");
}

std::string told_skipped(const CadDrawing& d) {
    std::string all;
    for (const CadSkipped& s : d.skipped) all += s.what.english() + ": " + s.why.english() + "\n";
    return all;
}

const std::string whole_start = groups({{0, "SECTION"},
                                        {2, "ENTITIES"},
                                        {0, "LINE"},
                                        {8, "WALLS"},
                                        {10, "1"},
                                        {20, "2"},
                                        {11, "30"},
                                        {21, "4"}});

}  // namespace

TEST_CASE("a DXF cut off anywhere yields no line that is not in the whole file") {
    std::string whole = whole_start;
    whole += groups({{0, "LWPOLYLINE"},
                     {8, "WALLS"},
                     {90, "3"},
                     {10, "100"},
                     {20, "100"},
                     {10, "140"},
                     {20, "100"},
                     {10, "140"},
                     {20, "135.5"}});
    whole += groups({{0, "POLYLINE"},
                     {8, "OLD"},
                     {66, "1"},
                     {0, "VERTEX"},
                     {10, "50"},
                     {20, "50"},
                     {0, "VERTEX"},
                     {10, "70"},
                     {20, "50"},
                     {0, "VERTEX"},
                     {10, "70"},
                     {20, "66"},
                     {0, "SEQEND"}});
    whole += groups({{0, "LINE"}, {8, "WALLS"}, {10, "200"}, {20, "20"}, {11, "230"}, {21, "44"}});
    whole += groups({{0, "ENDSEC"}, {0, "EOF"}});
    const CadDrawing all = read_text(whole);
    const auto known = [&](const CadLine& l) {
        return std::any_of(all.lines.begin(), all.lines.end(),
                           [&](const CadLine& k) { return k.a == l.a && k.b == l.b; });
    };
    REQUIRE(all.lines.size() == 6);
    for (std::size_t cut = whole_start.size(); cut + 1 < whole.size(); ++cut) {
        INFO("cut after " << cut << " bytes");
        try {
            const CadDrawing part = read_text(whole.substr(0, cut));
            for (const CadLine& l : part.lines) CHECK(known(l));
            CHECK_FALSE(part.skipped.empty());
        } catch (const Error& fault) {
            CHECK(std::string(fault.what()).size() > 20);  // nothing whole stands before the cut
        }
    }
    CHECK_THAT(told_skipped(read_text(whole.substr(0, whole.find("230") + 3))),
               Catch::Contains("LINE: the file ends within it"));
}

TEST_CASE("an entity without all its coordinates is left out and told, not drawn to the origin") {
    const auto with = [&](const std::vector<std::pair<int, std::string>>& entity) {
        return read_text(whole_start + groups(entity) + groups({{0, "ENDSEC"}, {0, "EOF"}}));
    };
    for (const auto& entity : std::vector<std::vector<std::pair<int, std::string>>>{
             {{0, "LINE"}, {8, "WALLS"}, {10, "5"}, {20, "5"}, {11, "9"}},
             {{0, "LINE"}, {8, "WALLS"}, {20, "5"}, {11, "9"}, {21, "9"}},
             {{0, "CIRCLE"}, {8, "WALLS"}, {10, "5"}, {40, "3"}},
             {{0, "ARC"}, {8, "WALLS"}, {10, "5"}, {20, "5"}, {40, "3"}, {50, "10"}},
             {{0, "LWPOLYLINE"}, {8, "WALLS"}, {10, "5"}, {20, "5"}, {10, "9"}},
             {{0, "SOLID"}, {8, "WALLS"}, {10, "5"}, {20, "5"}, {11, "9"}, {21, "5"}, {12, "5"}}}) {
        const CadDrawing d = with(entity);
        INFO(entity[0].second);
        CHECK(d.lines.size() == 1);
        CHECK(d.arcs.empty());
        CHECK_THAT(told_skipped(d), Catch::Contains(entity[0].second));
    }
}

TEST_CASE("layers without a name are not made up") {
    const CadDrawing d = read_text(
        groups({{0, "SECTION"},
                {2, "TABLES"},
                {0, "TABLE"},
                {2, "LAYER"},
                {0, "LAYER"},
                {70, "0"},
                {0, "LAYER"},
                {2, "WALLS"},
                {70, "0"},
                {0, "ENDTAB"},
                {0, "ENDSEC"}}) +
        whole_start +
        groups(
            {{0, "LINE"}, {8, ""}, {10, "1"}, {20, "1"}, {11, "2"}, {21, "2"}, {0, "ENDSEC"}, {0, "EOF"}}));
    for (const CadLayer& l : d.layers) CHECK_FALSE(l.name.empty());
    CHECK(d.lines.size() == 2);
}
