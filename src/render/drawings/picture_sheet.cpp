// SPDX-License-Identifier: GPL-3.0-or-later
#include <QBuffer>
#include <QImageReader>
#include <algorithm>
#include <cmath>

#include "render/drawings/sheet.h"

namespace yemvo::render {
namespace {

constexpr double most_kept_pixels = 50e6;   // decoded, larger pictures are reduced while reading
constexpr double most_read_pixels = 100e6;  // that formats without reduced reading may have
constexpr int most_read_mb = 512;
constexpr double most_jpeg_pixels = 2e9;  // reduced by the decoder itself, so memory stays small

class PictureSheet : public Sheet {
public:
    PictureSheet(QImage picture, QSize size, int pages) : size_(size), pages_(pages) {
        levels_.push_back(std::move(picture).convertToFormat(QImage::Format_ARGB32_Premultiplied));
        while (levels_.back().width() > 256 && levels_.back().height() > 256) {
            const QImage& last = levels_.back();
            levels_.push_back(last.scaled(last.width() / 2, last.height() / 2, Qt::IgnoreAspectRatio,
                                          Qt::SmoothTransformation));
        }
    }
    Box box() const override {
        return {{0, 0}, {static_cast<double>(size_.width()), static_cast<double>(size_.height())}};
    }
    void paint(QPainter& p, const QTransform& to_px, const QRectF& visible, const std::vector<std::string>&,
               const CancelToken&) const override {
        const double zoom = std::sqrt(std::abs(to_px.determinant()));
        const auto scale_of = [&](const QImage& i) { return static_cast<double>(size_.width()) / i.width(); };
        std::size_t level = 0;
        while (level + 1 < levels_.size() && zoom * scale_of(levels_[level + 1]) <= 1) ++level;
        const QImage& picture = levels_[level];
        p.setRenderHint(QPainter::SmoothPixmapTransform, zoom * scale_of(picture) < 4);
        p.setTransform(to_px);
        p.scale(scale_of(picture), static_cast<double>(size_.height()) / picture.height());
        // only what is seen is touched
        const QRectF wanted = p.transform().inverted().mapRect(visible).adjusted(-2, -2, 2, 2);
        const QRect part = wanted.toAlignedRect().intersected(picture.rect());
        if (!part.isEmpty()) p.drawImage(QRectF(part), picture, QRectF(part));
    }
    std::size_t bytes() const override {
        std::size_t sum = 0;
        for (const QImage& level : levels_) sum += static_cast<std::size_t>(level.sizeInBytes());
        return sum;
    }
    int pages() const override { return pages_; }

private:
    QSize size_;
    int pages_;
    std::vector<QImage> levels_;  ///< each half as large as the one before
};

Said pixels(QSize size) { return say("%1 x %2 pixels", size.width(), size.height()); }

}  // namespace

std::shared_ptr<const Sheet> open_picture(const Bytes& bytes, int page, const std::string& name) {
    const Said remedy = say("Choose a PNG, JPEG, WebP or TIFF picture");
    QByteArray data = QByteArray::fromRawData(reinterpret_cast<const char*>(bytes.data()),
                                              static_cast<qsizetype>(bytes.size()));
    QBuffer buffer(&data);
    buffer.open(QIODevice::ReadOnly);
    QImageReader reader(&buffer);
    reader.setAutoTransform(true);
    reader.setAllocationLimit(most_read_mb);
    if (!reader.canRead()) throw Error(say("is not a picture that can be read"), name, remedy);
    const int pages = std::max(1, std::min(reader.imageCount(), 10'000));
    if (page > 0 && !reader.jumpToImage(page))
        throw Error(say("has no page %1", page + 1), name, say("Choose another page"));
    const QSize stored = reader.size();
    const double count = 1.0 * stored.width() * stored.height();
    const bool jpeg = reader.format() == "jpeg";
    if (stored.isEmpty()) throw Error(say("does not tell its size"), name, remedy);
    if (count > (jpeg ? most_jpeg_pixels : most_read_pixels))
        throw Error(say("is %1, more than can be read", pixels(stored)), name,
                    say("Make it smaller, at most 100 megapixels, and choose it again"));
    if (count > most_kept_pixels)
        reader.setScaledSize(stored / std::ceil(std::sqrt(count / most_kept_pixels)));
    // the reader would call it damaged
    const int bits = QImage::toPixelFormat(reader.imageFormat()).bitsPerPixel();
    if (!jpeg && count * std::max(bits, 32) / 8 > most_read_mb * 1024.0 * 1024)
        throw Error(say("is %1 of %2 bits, more than can be read", pixels(stored), bits), name,
                    say("Make it smaller, or give it 8 bits a colour, and choose it again"));
    const QImage picture = reader.read();
    if (picture.isNull())
        throw Error(say("is damaged or cut short (%1)", reader.errorString().toStdString()), name, remedy);
    // turned by its EXIF data, the sheet is turned too
    const bool turned = reader.transformation() & QImageIOHandler::TransformationRotate90;
    return std::make_shared<PictureSheet>(picture, turned ? stored.transposed() : stored, pages);
}

}  // namespace yemvo::render
