// SPDX-License-Identifier: GPL-3.0-or-later
#include <QBuffer>
#include <QPdfDocument>
#include <QPdfSelection>
#include <algorithm>
#include <cmath>
#include <mutex>

#include "render/drawings/sheet.h"

namespace yemvo::render {
namespace {

constexpr double metres_a_point = 0.0254 / 72;
constexpr double most_px = 16e6;  // of one painting

/// Sheet coordinates: points (1/72 inch) of the page as it is shown, after its rotation, from the upper left
/// corner of its crop box.
class PdfSheet : public Sheet {
public:
    PdfSheet(std::shared_ptr<const Bytes> bytes, int page, const std::string& name)
        : bytes_(std::move(bytes)),
          data_(QByteArray::fromRawData(reinterpret_cast<const char*>(bytes_->data()),
                                        static_cast<qsizetype>(bytes_->size()))),
          page_(page) {
        buffer_.setBuffer(&data_);
        buffer_.open(QIODevice::ReadOnly);
        document_.load(&buffer_);
        if (document_.status() != QPdfDocument::Status::Ready) fail(name);
        if (page < 0 || page >= document_.pageCount())
            throw Error(say("has no page %1", page + 1), name, say("Choose another page"));
        size_ = document_.pagePointSize(page);
        if (!(size_.width() > 0.1) || !(size_.height() > 0.1) || size_.width() > 1e6 || size_.height() > 1e6)
            throw Error(say("page %1 has no size that can be shown", page + 1), name,
                        say("Export the drawing again"));
    }
    Box box() const override { return {{0, 0}, {size_.width(), size_.height()}}; }
    int pages() const override { return document_.pageCount(); }
    double paper_m() const override { return metres_a_point; }
    std::size_t bytes() const override { return bytes_->size() * 2; }

    void paint(QPainter& p, const QTransform& to_px, const QRectF& visible, const std::vector<std::string>&,
               const CancelToken& cancel) const override {
        const std::lock_guard lock(busy_);
        cancel.check();
        const QRectF wanted = to_px.inverted().mapRect(visible).intersected(QRectF(QPointF(0, 0), size_));
        if (wanted.isEmpty()) return;
        double zoom = std::sqrt(std::abs(to_px.determinant()));
        zoom *= std::min(1.0, std::sqrt(most_px / (wanted.width() * wanted.height() * zoom * zoom)));
        const QSize whole(std::max(1, static_cast<int>(std::lround(size_.width() * zoom))),
                          std::max(1, static_cast<int>(std::lround(size_.height() * zoom))));
        // the true scales: Qt cuts the page's size to whole points on the way
        const auto scale = [](int pixels, double points) {
            return pixels / points * std::max(1.0, std::floor(points)) / points;
        };
        const double zx = scale(whole.width(), size_.width()), zy = scale(whole.height(), size_.height());
        const QRect all(0, 0, static_cast<int>(std::ceil(size_.width() * zx)),
                        static_cast<int>(std::ceil(size_.height() * zy)));
        const QRect part = QRectF(wanted.x() * zx, wanted.y() * zy, wanted.width() * zx, wanted.height() * zy)
                               .toAlignedRect()
                               .intersected(all);
        if (part.isEmpty()) return;
        QPdfDocumentRenderOptions options;
        options.setScaledSize(whole);
        options.setScaledClipRect(part.adjusted(0, 0, 1, 1));  // Qt takes its last pixel for the end
        const QImage image = document_.render(page_, part.size(), options);
        p.setTransform(to_px);
        p.setRenderHint(QPainter::SmoothPixmapTransform);
        p.drawImage(QRectF(part.x() / zx, part.y() / zy, part.width() / zx, part.height() / zy), image,
                    QRectF(QPointF(0, 0), QSizeF(image.size())));
    }

    QString words() const override {
        const std::lock_guard lock(busy_);
        return document_.getAllText(page_).text();
    }

private:
    [[noreturn]] void fail(const std::string& name) const {
        switch (document_.error()) {
            case QPdfDocument::Error::IncorrectPassword:
                throw Error(say("is locked by a password"), name,
                            say("Save it without a password and choose it again"));
            case QPdfDocument::Error::UnsupportedSecurityScheme:
                throw Error(say("is encrypted in a way that cannot be read"), name,
                            say("Save it without protection and choose it again"));
            default:
                throw Error(say("is no PDF, or damaged or cut short"), name,
                            say("Open it in a PDF viewer to see whether it is whole"));
        }
    }

    std::shared_ptr<const Bytes> bytes_;
    QByteArray data_;
    QBuffer buffer_;
    mutable QPdfDocument document_;
    mutable std::mutex busy_;
    int page_;
    QSizeF size_;
};

}  // namespace

std::shared_ptr<const Sheet> open_pdf(std::shared_ptr<const Bytes> bytes, int page, const std::string& name) {
    return std::make_shared<PdfSheet>(std::move(bytes), page, name);
}

}  // namespace yemvo::render
