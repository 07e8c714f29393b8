// SPDX-License-Identifier: GPL-3.0-or-later
// Mutated drawing files against every reader: each must give a sheet or an Error, whatever it is fed.
//   fuzz_readers COUNT [SEED] [READER...]     readers: dxf svg pdf png jpg webp tiff
// Built with the sanitizers (tools/test asan, tools/fuzz) it also shows that nothing is read out of bounds.
#include <sys/resource.h>

#include <QBuffer>
#include <QImage>
#include <QPainter>
#include <QPdfWriter>
#include <chrono>
#include <cstdio>
#include <map>
#include <random>
#include <string>

#include "render/drawings/drawing_layer.h"
#include "render/headless.h"

using namespace yemvo;
using namespace yemvo::render;

namespace {

Bytes bytes_of(const std::string& s) {
    const auto* begin = reinterpret_cast<const std::byte*>(s.data());
    return {begin, begin + s.size()};
}

Bytes picture(const char* format) {
    QImage image(61, 43, QImage::Format_RGB32);
    for (int y = 0; y < 43; ++y)
        for (int x = 0; x < 61; ++x) image.setPixelColor(x, y, QColor(x * 4, y * 5, (x * y) % 255));
    QByteArray data;
    QBuffer buffer(&data);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, format);
    return bytes_of(data.toStdString());
}

Bytes pdf() {
    QByteArray data;
    QBuffer buffer(&data);
    buffer.open(QIODevice::WriteOnly);
    {
        QPdfWriter writer(&buffer);
        writer.setPageSize(QPageSize(QSizeF(80, 60), QPageSize::Millimeter));
        QPainter p(&writer);
        p.drawRect(100, 100, 300, 200);
        p.drawEllipse(200, 200, 100, 90);
        p.drawText(300, 300, "Hall 12");
        p.drawImage(50, 50, QImage(20, 20, QImage::Format_RGB32));
    }
    return bytes_of(data.toStdString());
}

Bytes svg() {
    return bytes_of(R"svg(<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY w "Wall">]>
<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="-10 -5 200 100">
<defs><g id="chair"><rect x="1" y="2" width="3" height="4"/></g><linearGradient id="g"><stop offset="0.2"
stop-color="#123"/></linearGradient><g id="row"><use xlink:href="#chair" x="5"/><use xlink:href="#chair" x="10"/></g></defs>
<style>.w { stroke: black; fill: none }</style><g transform="translate(3 4) rotate(30) scale(2,-1) matrix(1 0 .2 1 0 0)">
<path class="w" d="M1 2 L30 40 h5 v-6 C1 2 3 4 5 6 S7 8 9 10 Q1 1 2 2 T5 5 A 5 6 30 0 1 20 20 Z"/><circle cx="5" cy="6" r="7"/>
<ellipse cx="1" cy="1" rx="4" ry="2" fill="url(#g)"/><polyline points="1,2 3,4 5,6"/><polygon points="1,2 3,4 5,6"/>
<line x1="1" x2="2" y1="3" y2="4" stroke-dasharray="1 2"/><text x="3" y="4" font-size="9">&w; <tspan>A&amp;B</tspan></text>
<use xlink:href="#row" transform="skewX(20)"/></g></svg>)svg");
}

Bytes dxf() {
    std::string s =
        "0\nSECTION\n2\nHEADER\n9\n$ACADVER\n1\nAC1015\n9\n$DWGCODEPAGE\n3\nANSI_1252\n9\n$"
        "INSUNITS\n70\n4\n0\nENDSEC\n"
        "0\nSECTION\n2\nTABLES\n0\nTABLE\n2\nLAYER\n70\n2\n0\nLAYER\n2\nA\n70\n1\n62\n7\n0\nLAYER\n2\nW\xe4nd"
        "e\n70\n0\n62\n-3\n"
        "0\nENDTAB\n0\nENDSEC\n0\nSECTION\n2\nBLOCKS\n";
    const std::string pieces =
        "0\nLINE\n8\nA\n10\n1.5\n20\n2\n11\n30\n21\n4\n"
        "0\nARC\n8\n0\n10\n5\n20\n5\n40\n3\n50\n20\n51\n300\n210\n0\n220\n0\n230\n-1\n"
        "0\nCIRCLE\n8\nA\n10\n5\n20\n5\n40\n2.5\n"
        "0\nELLIPSE\n8\nA\n10\n5\n20\n5\n11\n3\n21\n1\n40\n0.4\n41\n0.5\n42\n4\n"
        "0\nLWPOLYLINE\n8\nA\n90\n3\n70\n1\n38\n2\n10\n0\n20\n0\n42\n1.7\n10\n5\n20\n0\n10\n5\n20\n6\n42\n-0."
        "3\n"
        "0\nPOLYLINE\n8\nA\n66\n1\n70\n1\n0\nVERTEX\n8\nA\n10\n1\n20\n1\n42\n0."
        "5\n0\nVERTEX\n8\nA\n10\n4\n20\n4\n0\nSEQEND\n"
        "0\nSPLINE\n8\nA\n70\n8\n71\n3\n40\n0\n40\n0\n40\n0\n40\n0\n40\n1\n40\n1\n40\n1\n40\n1\n10\n0\n20\n0"
        "\n10\n1\n20\n4\n10\n5\n20\n4\n10\n6\n20\n0\n"
        "0\nSPLINE\n8\nA\n71\n3\n11\n0\n21\n0\n11\n3\n21\n3\n11\n6\n21\n1\n"
        "0\nTEXT\n8\nA\n10\n1\n20\n1\n40\n0.5\n1\nHall %%c12 \\U+00e4\n72\n1\n11\n2\n21\n2\n"
        "0\nMTEXT\n8\nA\n10\n1\n20\n1\n40\n0.5\n71\n5\n1\n{\\fArial|b0;Room}\\P\\S1^2;\n"
        "0\nSOLID\n8\nA\n10\n0\n20\n0\n11\n1\n21\n0\n12\n0\n22\n1\n13\n1\n23\n1\n"
        "0\nLEADER\n8\nA\n10\n0\n20\n0\n10\n1\n20\n1\n";
    s += "0\nBLOCK\n2\nIN\n10\n1\n20\n1\n" + pieces + "0\nENDBLK\n";
    s += "0\nBLOCK\n2\nOUT\n10\n0\n20\n0\n0\nINSERT\n2\nIN\n8\nA\n10\n5\n20\n5\n41\n-2\n42\n0."
         "5\n50\n33\n70\n3\n71\n2\n44\n9\n45\n8\n0\nENDBLK\n";
    s += "0\nENDSEC\n0\nSECTION\n2\nENTITIES\n" + pieces +
         "0\nINSERT\n2\nOUT\n10\n50\n20\n5\n0\nDIMENSION\n2\nIN\n67\n0\n0\nHATCH\n8\nA\n0\nENDSEC\n0\nEOF\n";
    return bytes_of(s);
}

class Mutator {
public:
    explicit Mutator(unsigned seed) : dice_(seed) {}
    Bytes operator()(Bytes b) {
        for (int times = 1 + static_cast<int>(any(4)); times > 0 && !b.empty(); --times) {
            const std::size_t at = any(b.size()), n = 1 + any(std::min<std::size_t>(b.size() - at, 24));
            const auto from = b.begin() + static_cast<std::ptrdiff_t>(at);
            switch (any(8)) {
                case 0:
                    b[at] ^= static_cast<std::byte>(1u << any(8));
                    break;
                case 1:
                    b[at] = static_cast<std::byte>(any(256));
                    break;
                case 2:
                    b.erase(from, from + static_cast<std::ptrdiff_t>(n));
                    break;
                case 3:
                    insert(b, at, Bytes(from, from + static_cast<std::ptrdiff_t>(n)));
                    break;
                case 4:
                    b.resize(at);
                    break;
                case 5:
                    insert(b, at, bytes_of(words_[any(words_.size())]));
                    break;
                case 6: {
                    const std::size_t other = any(b.size());
                    std::swap(b[at], b[other]);
                    break;
                }
                default: {
                    const std::string w = words_[any(words_.size())];
                    for (std::size_t i = 0; i < w.size() && at + i < b.size(); ++i)
                        b[at + i] = static_cast<std::byte>(w[i]);
                }
            }
        }
        return b;
    }

private:
    std::size_t any(std::size_t below) {
        return std::uniform_int_distribution<std::size_t>(0, below - 1)(dice_);
    }
    static void insert(Bytes& b, std::size_t at, const Bytes& what) {
        const Bytes copy = what;
        b.insert(b.begin() + static_cast<std::ptrdiff_t>(at), copy.begin(), copy.end());
    }
    std::mt19937 dice_;
    const std::vector<std::string> words_{"nan",
                                          "inf",
                                          "-1",
                                          "1e308",
                                          "-1e308",
                                          "99999999999999999999",
                                          "0",
                                          "\n0\n",
                                          "1e9",
                                          "\xff\xff\xff\xff",
                                          std::string(4, '\0'),
                                          "<g>",
                                          "</g>",
                                          "&w;",
                                          "\n70\n32767\n",
                                          "\n0\nINSERT\n2\nOUT\n",
                                          "%PDF-",
                                          "obj",
                                          "/Rotate 90",
                                          "transform='scale(1e9)'",
                                          "32767",
                                          "xlink:href='#row'",
                                          "\\U+",
                                          "%%",
                                          "{\\f",
                                          "9223372036854775807"};
};

/// The checksums of a PNG's chunks made right again, so that what follows them is looked at too.
/// Source: PNG specification, annex D.
void mend_png(Bytes& b) {
    const auto number = [&](std::size_t at) {
        std::uint32_t v = 0;
        for (int i = 0; i < 4; ++i)
            v = v << 8 | static_cast<std::uint32_t>(b[at + static_cast<std::size_t>(i)]);
        return v;
    };
    for (std::size_t at = 8; at + 12 <= b.size();) {
        const std::size_t length = number(at);
        if (length > b.size() - at - 12) return;
        std::uint32_t crc = 0xFFFFFFFF;
        for (std::size_t i = at + 4; i < at + 8 + length; ++i) {
            crc ^= static_cast<std::uint32_t>(b[i]);
            for (int k = 0; k < 8; ++k) crc = crc & 1 ? 0xEDB88320 ^ (crc >> 1) : crc >> 1;
        }
        crc = ~crc;
        for (std::size_t i = 0; i < 4; ++i)
            b[at + 8 + length + i] = static_cast<std::byte>(crc >> (24 - 8 * i));
        at += 12 + length;
    }
}

struct Tally {
    std::size_t opened = 0, refused = 0;
    double slowest_ms = 0;
};

void feed(const Bytes& file, const std::string& name, Tally& tally) {
    const auto start = std::chrono::steady_clock::now();
    try {
        const auto sheet = open_sheet(std::make_shared<const Bytes>(file), kind_of_file(file, name), 0, name);
        const Box box = sheet->box();
        LaidSheet laid{sheet, {}, {}, {1, 17, {}}, 1, 0.2, false, {}};
        laid.source.sheet = box;
        laid.source.hidden_layers = {"A"};
        const double side = std::max({box.width(), box.height(), 1e-9});
        paint_sheets({laid}, PlanMap{48 / side, QPointF(8, 40)}, QSize(64, 64));
        ++tally.opened;
    } catch (const Error& refusal) {
        if (refusal.where().english().find(name) == std::string::npos) {
            std::fprintf(stderr, "a message without the file's name: %s\n", refusal.what());
            std::abort();
        }
        ++tally.refused;
    }
    const double ms =
        std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - start).count();
    tally.slowest_ms = std::max(tally.slowest_ms, ms);
}

}  // namespace

int main(int argc, char** argv) {
    const Headless headless;
    const int count = argc > 1 ? std::atoi(argv[1]) : 0;
    if (count < 1) {
        std::fprintf(stderr, "usage: fuzz_readers COUNT [SEED] [READER...]\n");
        return 2;
    }
    const unsigned seed = argc > 2 ? static_cast<unsigned>(std::atoi(argv[2])) : 1;
    qInstallMessageHandler([](QtMsgType, const QMessageLogContext&, const QString&) {});
    const std::map<std::string, Bytes> readers{{"dxf", dxf()},           {"svg", svg()},
                                               {"pdf", pdf()},           {"png", picture("PNG")},
                                               {"jpg", picture("JPG")},  {"webp", picture("WEBP")},
                                               {"tiff", picture("TIFF")}};
    for (const auto& [reader, whole] : readers) {
        bool wanted = argc < 4;
        for (int i = 3; i < argc; ++i) wanted = wanted || reader == argv[i];
        if (!wanted) continue;
        Mutator mutate(seed);
        Tally tally;
        feed(whole, "whole." + reader, tally);
        if (tally.opened != 1) {
            std::fprintf(stderr, "the whole %s file was refused\n", reader.c_str());
            return 1;
        }
        for (int i = 0; i < count; ++i) {
            Bytes file = mutate(whole);
            if (reader == "png" && i % 4) mend_png(file);
            feed(file, "mutated." + reader, tally);
        }
        rusage usage{};
        getrusage(RUSAGE_SELF, &usage);
        std::printf(
            "%-5s %7d mutated files: %7zu opened, %7zu refused by name, slowest %6.0f ms, peak memory %ld "
            "MB\n",
            reader.c_str(), count, tally.opened - 1, tally.refused, tally.slowest_ms, usage.ru_maxrss / 1024);
        std::fflush(stdout);
    }
    return 0;
}
