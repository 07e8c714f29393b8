// SPDX-License-Identifier: GPL-3.0-or-later
// Drawings of every kind: known marks land where they should, bad files are refused by name.
#include <QBuffer>
#include <QImage>
#include <QPainter>
#include <catch2/catch.hpp>

#include "render/drawings/drawing_layer.h"
#include "render/drawings/sheet.h"

using namespace yemvo;
using namespace yemvo::render;

namespace {

Bytes text_bytes(const std::string& text) {
    const auto* begin = reinterpret_cast<const std::byte*>(text.data());
    return {begin, begin + text.size()};
}

/// White with a black mark in the upper left quarter.
QImage marked(QSize size) {
    QImage image(size, QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter p(&image);
    p.fillRect(0, 0, size.width() / 4, size.height() / 4, Qt::black);
    return image;
}

Bytes encoded(const char* format, const QImage& image) {
    QByteArray data;
    QBuffer buffer(&data);
    buffer.open(QIODevice::WriteOnly);
    REQUIRE(image.save(&buffer, format));
    return text_bytes(data.toStdString());
}

std::shared_ptr<const Sheet> open(const Bytes& bytes, const char* name, int page = 0) {
    return open_sheet(std::make_shared<const Bytes>(bytes), kind_of_file(bytes, name), page, name);
}

/// The sheet on white, `zoom` pixels a unit.
QImage painted(const Sheet& sheet, double zoom = 1) {
    const Box box = sheet.box();
    QImage image(static_cast<int>(box.width() * zoom), static_cast<int>(box.height() * zoom),
                 QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::white);
    QPainter p(&image);
    QTransform to_px = QTransform::fromScale(zoom, zoom);
    to_px.translate(-box.low.x, -box.low.y);
    sheet.paint(p, to_px, QRectF(image.rect()), {}, {});
    return image;
}

bool dark(const QImage& i, double x, double y) {
    return i.pixelColor(static_cast<int>(x), static_cast<int>(y)).lightness() < 120;
}

/// A JPEG with an EXIF block that says how it is to be turned. Source: EXIF 2.32, tag 0x0112.
Bytes jpeg_turned(int orientation, QSize size) {
    Bytes jpeg = encoded("JPG", marked(size));
    const unsigned char app1[] = {
        0xFF, 0xE1, 0, 34, 'E', 'x', 'i', 'f', 0, 0,
        'M',  'M',  0, 42, 0,   0,   0,   8,   0, 1,
        0x01, 0x12, 0, 3,  0,   0,   0,   1,   0, static_cast<unsigned char>(orientation),
        0,    0,    0, 0,  0,   0};
    std::vector<std::byte> block;
    for (unsigned char c : app1) block.push_back(static_cast<std::byte>(c));
    jpeg.insert(jpeg.begin() + 2, block.begin(), block.end());
    return jpeg;
}

/// A PDF of pages with the given entries, each with one filled rectangle in user space.
struct PdfPage {
    std::string entries, rectangle;
};
Bytes pdf_of(const std::vector<PdfPage>& pages, const std::string& trailer_more = {}) {
    std::string out = "%PDF-1.4\n", kids;
    std::vector<std::size_t> offsets;
    const auto object = [&](const std::string& body) {
        offsets.push_back(out.size());
        out += std::to_string(offsets.size()) + " 0 obj\n" + body + "\nendobj\n";
    };
    for (std::size_t i = 0; i < pages.size(); ++i) kids += std::to_string(3 + 2 * i) + " 0 R ";
    object("<< /Type /Catalog /Pages 2 0 R >>");
    object("<< /Type /Pages /Count " + std::to_string(pages.size()) + " /Kids [" + kids + "] >>");
    for (std::size_t i = 0; i < pages.size(); ++i) {
        const std::string content = "0 0 0 rg " + pages[i].rectangle + " re f";
        object("<< /Type /Page /Parent 2 0 R " + pages[i].entries + " /Contents " +
               std::to_string(4 + 2 * i) + " 0 R /Resources << >> >>");
        object("<< /Length " + std::to_string(content.size()) + " >>\nstream\n" + content + "\nendstream");
    }
    const std::size_t xref = out.size();
    out += "xref\n0 " + std::to_string(offsets.size() + 1) + "\n0000000000 65535 f \n";
    char line[32];
    for (std::size_t at : offsets) {
        std::snprintf(line, sizeof line, "%010zu 00000 n \n", at);
        out += line;
    }
    out += "trailer\n<< /Size " + std::to_string(offsets.size() + 1) + " /Root 1 0 R " + trailer_more +
           ">>\nstartxref\n" + std::to_string(xref) + "\n%%EOF\n";
    return text_bytes(out);
}

}  // namespace

TEST_CASE("PNG, JPEG, WebP and TIFF pictures are read, judged by their bytes and not their names") {
    for (const char* format : {"PNG", "JPG", "WEBP", "TIFF"}) {
        INFO(format);
        const auto sheet = open(encoded(format, marked({80, 60})), "plan.bin");
        CHECK(sheet->box() == Box{{0, 0}, {80, 60}});
        const QImage image = painted(*sheet);
        CHECK(dark(image, 5, 5));
        CHECK_FALSE(dark(image, 60, 40));
    }
}

TEST_CASE("a photo is turned as its EXIF orientation asks, all eight of them") {
    const QSize stored(80, 48);
    struct Expected {
        int orientation;
        bool right, low, transposed;  // where the stored upper left corner comes to lie
    };
    for (const Expected& e : {Expected{1, false, false, false},
                              {2, true, false, false},
                              {3, true, true, false},
                              {4, false, true, false},
                              {5, false, false, true},
                              {6, true, false, true},
                              {7, true, true, true},
                              {8, false, true, true}}) {
        INFO("orientation " << e.orientation);
        const auto sheet = open(jpeg_turned(e.orientation, stored), "photo.jpg");
        const Box box = sheet->box();
        CHECK(box.high == (e.transposed ? Point{48, 80} : Point{80, 48}));
        const QImage image = painted(*sheet);
        for (const bool right : {false, true})
            for (const bool low : {false, true})
                CHECK(dark(image, right ? box.high.x - 4 : 4, low ? box.high.y - 4 : 4) ==
                      (right == e.right && low == e.low));
    }
}

TEST_CASE("a PDF page is shown by its crop box and rotation; a mark in it lands where it should") {
    // the crop box is 260 x 170 points from (120, 220); the mark lies 20 to 40 right and 10 to 30 up in it
    const std::string boxes = "/MediaBox [100 200 400 420] /CropBox [120 220 380 390] ";
    const std::string mark = "140 230 20 20";
    const Bytes pdf = pdf_of({{boxes, mark},
                              {boxes + "/Rotate 90", mark},
                              {boxes + "/Rotate 180", mark},
                              {boxes + "/Rotate 270", mark},
                              {"/MediaBox [-50 -80 150 20]", "0 0 10 10"}});
    struct Expected {
        Point size, mark;  // its middle, from the upper left corner
    };
    const Expected pages[] = {{{260, 170}, {30, 150}},
                              {{170, 260}, {20, 30}},
                              {{260, 170}, {230, 20}},
                              {{170, 260}, {150, 230}},
                              {{200, 100}, {55, 15}}};
    for (int i = 0; i < 5; ++i) {
        INFO("page " << i + 1);
        const auto sheet = open(pdf, "plan.pdf", i);
        CHECK(sheet->pages() == 5);
        CHECK(sheet->box().high.x == Approx(pages[i].size.x));
        CHECK(sheet->box().high.y == Approx(pages[i].size.y));
        const double reach = i == 4 ? 4 : 9;
        for (const double zoom : {1.0, 3.0}) {
            const QImage image = painted(*sheet, zoom);
            const Point m = pages[i].mark;
            CHECK(dark(image, m.x * zoom, m.y * zoom));
            for (Point d : {Point{reach, 0}, {-reach, 0}, {0, reach}, {0, -reach}}) {
                CHECK(dark(image, (m + d * 0.9).x * zoom, (m + d * 0.9).y * zoom));
                CHECK_FALSE(dark(image, (m + d * 1.5).x * zoom, (m + d * 1.5).y * zoom));
            }
        }
    }
    CHECK_THROWS_WITH(open(pdf, "plan.pdf", 5), Catch::Contains("page 6"));
}

TEST_CASE("a part of a PDF page painted alone is where it is on the whole page") {
    const auto sheet = open(pdf_of({{"/MediaBox [0 0 300 200]", "200 150 20 20"}}), "plan.pdf");
    QImage part(60, 60, QImage::Format_ARGB32_Premultiplied);
    part.fill(Qt::white);
    QPainter p(&part);
    QTransform to_px = QTransform::fromTranslate(-800, -120);  // around (210, 40), four pixels a point
    to_px.scale(4, 4);
    sheet->paint(p, to_px, QRectF(part.rect()), {}, {});
    p.end();
    CHECK(dark(part, 10, 10));
    CHECK_FALSE(dark(painted(*sheet, 4), 790, 130));
    CHECK(dark(painted(*sheet, 4), 810, 130));
}

TEST_CASE("SVG: view box and nested transforms put a mark where they should") {
    const auto sheet = open(text_bytes(
                                R"svg(<?xml version="1.0"?>
<svg xmlns="http://www.w3.org/2000/svg" width="400mm" height="200mm" viewBox="-100 -50 200 100">
 <g transform="translate(40 20)"><g transform="rotate(90) scale(2)">
  <rect x="0" y="0" width="10" height="5" fill="black"/></g></g></svg>)svg"),
                            "plan.svg");
    CHECK(sheet->box() == Box{{0, 0}, {200, 100}});
    // (0..10, 0..5) scaled to (0..20, 0..10), turned to x -10..0, y 0..20, shifted to (30..40, 20..40), and
    // the view box begins at (-100, -50)
    const QImage image = painted(*sheet, 2);
    CHECK(dark(image, 2 * 135, 2 * 80));
    CHECK(dark(image, 2 * 131, 2 * 71));
    CHECK(dark(image, 2 * 139, 2 * 89));
    CHECK_FALSE(dark(image, 2 * 128, 2 * 80));
    CHECK_FALSE(dark(image, 2 * 142, 2 * 80));
    CHECK_FALSE(dark(image, 2 * 135, 2 * 92));
}

TEST_CASE("SVG: outside references are never followed and told; loops and bombs are refused") {
    const auto svg = [](const std::string& inside) {
        return text_bytes(
            "<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' "
            "viewBox='0 0 100 100'>" +
            inside + "</svg>");
    };
    const auto clean = clean_svg(svg("<image xlink:href='file:///etc/hostname' width='9' height='9'/>"
                                     "<image xlink:href='http://example.org/a.png' width='9' height='9'/>"
                                     "<use xlink:href='other.svg#a'/><script>alert(1)</script>"
                                     "<style>@import url(http://example.org/a.css);</style>"
                                     "<filter id='f'/><rect width='5' height='5' filter='url(#f)'/>"),
                                 "plan.svg");
    CHECK_FALSE(clean.text.contains("hostname"));
    CHECK_FALSE(clean.text.contains("example.org"));
    CHECK_FALSE(clean.text.contains("alert"));
    CHECK_FALSE(clean.text.contains("other.svg"));
    CHECK(clean.text.contains("<rect"));
    CHECK(clean.left_out.size() >= 3);
    CHECK_THROWS_WITH(
        open(svg("<g id='a'><use xlink:href='#b'/></g><g id='b'><use xlink:href='#a'/></g>"), "a.svg"),
        Catch::Contains("refers to itself"));
    std::string bomb = "<g id='g0'><rect width='1' height='1'/></g>";
    for (int i = 1; i < 12; ++i) {
        bomb += "<g id='g" + std::to_string(i) + "'>";
        for (int k = 0; k < 10; ++k) bomb += "<use xlink:href='#g" + std::to_string(i - 1) + "'/>";
        bomb += "</g>";
    }
    CHECK_THROWS_WITH(open(svg(bomb), "bomb.svg"), Catch::Contains("more in it"));
    std::string entities = "<?xml version='1.0'?><!DOCTYPE svg [<!ENTITY a 'aaaaaaaaaa'>";
    for (char c = 'b'; c < 'l'; ++c) {
        entities += std::string("<!ENTITY ") + c + " '";
        for (int i = 0; i < 10; ++i) entities += std::string("&") + static_cast<char>(c - 1) + ";";
        entities += "'>";
    }
    entities += "]><svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'><text>&k;</text></svg>";
    const CleanSvg unfolded = clean_svg(text_bytes(entities), "entities.svg");
    CHECK(unfolded.text.size() < 100'000);
    CHECK_FALSE(unfolded.left_out.empty());
    std::string deep;
    for (int i = 0; i < 5000; ++i) deep += "<g>";
    CHECK_THROWS_WITH(open(svg(deep), "deep.svg"), Catch::Contains("nested"));
}

TEST_CASE("what is no drawing, cut short, locked or too large is refused with its name and the reason") {
    CHECK_THROWS_WITH(open(text_bytes("hello"), "letter.png"),
                      Catch::Contains("letter.png") && Catch::Contains("not a picture"));
    CHECK_THROWS_WITH(kind_of_file({}, "nothing.png"),
                      Catch::Contains("nothing.png") && Catch::Contains("empty"));
    CHECK_THROWS_WITH(kind_of_file(text_bytes("hello"), "letter.txt"), Catch::Contains("no kind of drawing"));
    for (const char* format : {"PNG", "WEBP"}) {
        Bytes half = encoded(format, marked({400, 300}));
        half.resize(half.size() / 2);
        CHECK_THROWS_WITH(open(half, "half.png"), Catch::Contains("damaged"));
    }
    Bytes pdf = pdf_of({{"/MediaBox [0 0 300 200]", "0 0 9 9"}});
    pdf.resize(60);
    CHECK_THROWS_WITH(open(pdf, "cut.pdf"), Catch::Contains("cut.pdf") && Catch::Contains("cut short"));
    const Bytes locked =
        pdf_of({{"/MediaBox [0 0 300 200]", "0 0 9 9"}},
               "/Encrypt << /Filter /Standard /V 1 /R 2 /O (01234567890123456789012345678901) /U "
               "(01234567890123456789012345678901) /P -4 >> /ID [(a) (b)] ");
    CHECK_THROWS_WITH(open(locked, "locked.pdf"),
                      Catch::Contains("locked.pdf") && Catch::Contains("password"));
    const Bytes unknown =
        pdf_of({{"/MediaBox [0 0 300 200]", "0 0 9 9"}}, "/Encrypt << /Filter /Other /V 9 >> ");
    CHECK_THROWS_WITH(open(unknown, "odd.pdf"), Catch::Contains("odd.pdf"));
    CHECK_THROWS_WITH(open(text_bytes("<svg xmlns='http://www.w3.org/2000/svg'><rect"), "cut.svg"),
                      Catch::Contains("cut.svg") && Catch::Contains("damaged"));
}

TEST_CASE("a picture that claims 30000 x 30000 pixels is refused before it is unpacked") {
    Bytes png = encoded("PNG", marked({40, 30}));
    // width and height stand in the header's bytes 16 to 23; the checksum after them is wrong then, as it may
    // be
    for (std::size_t at : {16u, 20u}) {
        png[at] = png[at + 1] = std::byte{0};
        png[at + 2] = std::byte{0x75};
        png[at + 3] = std::byte{0x30};
    }
    CHECK_THROWS_WITH(open(png, "huge.png"), Catch::Contains("huge.png"));
}

TEST_CASE("a large JPEG is reduced while it is read and keeps its size in sheet coordinates") {
    QImage large(12000, 9000, QImage::Format_Grayscale8);
    large.fill(Qt::white);
    QPainter(&large).fillRect(0, 0, 3000, 2250, Qt::black);
    const auto sheet = open(encoded("JPG", large), "large.jpg");
    CHECK(sheet->box().high == Point{12000, 9000});
    CHECK(sheet->bytes() < 300'000'000);
    const QImage image = painted(*sheet, 0.05);
    CHECK(dark(image, 140, 105));
    CHECK_FALSE(dark(image, 160, 105));
}

TEST_CASE("on the plan a sheet's white lets the ground through; turn, crop, lighten and invert apply") {
    const Bytes bytes = encoded("PNG", marked({100, 100}));
    Drawing d;
    d.source.sheet = {{0, 0}, {100, 100}};
    d.placement = {0.1, 0, {0, 10}};
    d.opacity = 1;
    const auto sheet = open(bytes, "d.png");
    const PlanMap map{10, QPointF(0, 100)};
    const auto pixel = [&](const Drawing& drawing, double x, double y) {
        return paint_sheets({laid(drawing, sheet)}, map, {100, 100})
            .pixelColor(static_cast<int>(x), static_cast<int>(y));
    };
    CHECK(pixel(d, 10, 10).alpha() > 250);
    CHECK(pixel(d, 60, 60).alpha() == 0);
    Drawing turned = d;  // a quarter turn to the left about the middle
    turned.placement = compose(about({5, 5}, 90, 1), d.placement);
    CHECK(pixel(turned, 10, 90).alpha() > 250);
    CHECK(pixel(turned, 10, 10).alpha() == 0);
    Drawing cropped = d;
    cropped.crop = {{15, 0}, {100, 0}, {100, 100}, {15, 100}};
    CHECK(pixel(cropped, 10, 10).alpha() == 0);
    CHECK(pixel(cropped, 20, 10).alpha() > 250);
    Drawing light = d;
    light.lighten = 0.5;
    CHECK(pixel(light, 10, 10).alpha() == Approx(128).margin(4));
    Drawing inverted = d;
    inverted.inverted = true;
    CHECK(pixel(inverted, 10, 10).alpha() == 0);
    CHECK(pixel(inverted, 60, 60).alpha() > 250);
    Drawing faint = d;
    faint.opacity = 0.5;
    CHECK(pixel(faint, 10, 10).alpha() == Approx(128).margin(4));
}

TEST_CASE("on dark paper dark ink is shown light, hues stay, and what is half there stays half there") {
    QImage image(4, 1, QImage::Format_ARGB32_Premultiplied);
    image.setPixel(0, 0, qRgba(0, 0, 0, 255));
    image.setPixel(1, 0, qRgba(255, 0, 0, 255));
    image.setPixel(2, 0, qRgba(0, 0, 128, 255));
    image.setPixel(3, 0, qRgba(0, 0, 0, 100));
    swap_light_and_dark(image);
    CHECK(image.pixelColor(0, 0) == QColor(255, 255, 255));
    CHECK(image.pixelColor(1, 0) == QColor(255, 0, 0));
    CHECK(image.pixelColor(2, 0) == QColor(127, 127, 255));
    CHECK(image.pixel(3, 0) == qRgba(100, 100, 100, 100));  // premultiplied: white, as much there as before
    const QImage once = image;
    swap_light_and_dark(image);
    swap_light_and_dark(image);
    CHECK(image == once);
}

TEST_CASE("the difference of two revisions: what went is red, what came is blue, what stayed grey") {
    QImage older(100, 100, QImage::Format_RGB32), newer(100, 100, QImage::Format_RGB32);
    for (QImage* i : {&older, &newer}) {
        i->fill(Qt::white);
        QPainter(i).fillRect(10, 10, 20, 80, Qt::black);
    }
    QPainter(&older).fillRect(40, 10, 20, 80, Qt::black);
    QPainter(&newer).fillRect(70, 10, 20, 80, Qt::black);
    Drawing d;
    d.source.sheet = {{0, 0}, {100, 100}};
    d.placement = {0.1, 0, {0, 10}};
    const QImage out = paint_difference(laid(d, open(encoded("PNG", older), "a.png")),
                                        laid(d, open(encoded("PNG", newer), "b.png")), {10, QPointF(0, 100)},
                                        {100, 100}, Qt::red, Qt::blue);
    CHECK(out.pixelColor(50, 50) == QColor(Qt::red));
    CHECK(out.pixelColor(80, 50) == QColor(Qt::blue));
    CHECK(out.pixelColor(20, 50).saturation() < 60);
    CHECK(out.pixelColor(95, 50).alpha() == 0);
}

TEST_CASE("opened sheets are kept within a budget, the latest always") {
    SheetCache cache(std::make_shared<MemoryBudget>(100'000));
    DrawingSource source;
    std::vector<Shared<Bytes>> files;
    for (int i = 0; i < 6; ++i) files.push_back(encoded("PNG", marked({100 + i, 100})));
    std::shared_ptr<const Sheet> last;
    for (const auto& f : files) last = cache.open(f, source);
    CHECK(cache.bytes() <= 100'000);
    CHECK(cache.open(files.back(), source) == last);
    CHECK(cache.open(files.front(), source)->box().width() == 100);
}

TEST_CASE("a mark on a PDF page is within 0.6 pixels of its place, at every zoom and rotation") {
    // a page whose size is no whole number of points, and marks near its corners and in the middle
    const double width = 841.92, height = 595.32, half = 3;
    const std::vector<Point> marks{
        {20, 20}, {821, 575}, {20, 575}, {821, 20}, {420.7, 297.3}};  // up from below
    std::vector<PdfPage> pages;
    for (int turn : {0, 90, 180, 270})
        for (Point m : marks) {
            char rectangle[100], entries[100];
            std::snprintf(rectangle, sizeof rectangle, "%.2f %.2f %.2f %.2f", m.x - half, m.y - half,
                          2 * half, 2 * half);
            std::snprintf(entries, sizeof entries, "/MediaBox [0 0 %.2f %.2f] /Rotate %d", width, height,
                          turn);
            pages.push_back({entries, rectangle});
        }
    const Bytes pdf = pdf_of(pages);
    double worst = 0;
    for (std::size_t page = 0; page < pages.size(); ++page) {
        const Point m = marks[page % marks.size()];
        const Point at[] = {{m.x, height - m.y}, {m.y, m.x}, {width - m.x, m.y}, {height - m.y, width - m.x}};
        const Point expected = at[page / marks.size()];
        const auto sheet = open(pdf, "plan.pdf", static_cast<int>(page));
        for (double zoom : {0.71, 1.0, 1.9, 4.3, 9.7}) {
            QImage image(90, 90, QImage::Format_ARGB32_Premultiplied);
            image.fill(Qt::white);
            QTransform to_px = QTransform::fromTranslate(45.3 - expected.x * zoom, 44.6 - expected.y * zoom);
            to_px.scale(zoom, zoom);
            QPainter p(&image);
            sheet->paint(p, to_px, QRectF(image.rect()), {}, {});
            p.end();
            double sum = 0, x = 0, y = 0;
            for (int r = 0; r < image.height(); ++r)
                for (int c = 0; c < image.width(); ++c) {
                    const double ink = 255 - qGray(image.pixel(c, r));
                    sum += ink;
                    x += ink * (c + 0.5);
                    y += ink * (r + 0.5);
                }
            INFO("page " << page << ", zoom " << zoom);
            REQUIRE(sum > 255);
            CHECK(std::abs(x / sum - 45.3) < 0.6);
            CHECK(std::abs(y / sum - 44.6) < 0.6);
            worst = std::max({worst, std::abs(x / sum - 45.3), std::abs(y / sum - 44.6)});
        }
    }
    INFO(worst);
    CHECK(worst < 0.6);
}

TEST_CASE("a picture that is too large is called too large, not damaged") {
    // a header is enough: 30,000 x 3,000 pixels of 64 bits
    QImage wide(30'000, 3, QImage::Format_RGBA64);
    wide.fill(Qt::white);
    Bytes png = encoded("PNG", wide);
    // the height stands in bytes 20 to 23 of the header, its checksum after it
    const auto put = [&](std::size_t at, std::uint32_t v) {
        for (int i = 0; i < 4; ++i)
            png[at + static_cast<std::size_t>(i)] = static_cast<std::byte>(v >> (24 - 8 * i));
    };
    put(20, 3000);
    std::uint32_t crc = 0xFFFFFFFF;
    for (std::size_t i = 12; i < 29; ++i) {
        crc ^= static_cast<std::uint32_t>(png[i]);
        for (int k = 0; k < 8; ++k) crc = crc & 1 ? 0xEDB88320 ^ (crc >> 1) : crc >> 1;
    }
    put(29, ~crc);
    CHECK_THROWS_WITH(open(png, "large.png"),
                      Catch::Contains("30000 x 3000") && Catch::Contains("more than can be read"));
}
