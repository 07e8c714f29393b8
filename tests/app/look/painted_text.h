// SPDX-License-Identifier: GPL-3.0-or-later
// What a person reads: the texts that a widget paints and where, whichever way it paints them.
#pragma once
#include <QPaintDevice>
#include <QPaintEngine>
#include <QPainter>
#include <QWidget>
#include <vector>

namespace yemvo::app::test {

struct PaintedText {
    QString text;
    QRectF at;       ///< in the widget
    QRectF clipped;  ///< to what the painter left of it
};

class TextEngine : public QPaintEngine {
public:
    TextEngine() : QPaintEngine(AllFeatures) {}
    std::vector<PaintedText> texts;

    bool begin(QPaintDevice*) override { return true; }
    bool end() override { return true; }
    void updateState(const QPaintEngineState& now) override {
        if (now.state() & DirtyTransform) transform_ = now.transform();
    }
    // all else is let go
    void drawPixmap(const QRectF&, const QPixmap&, const QRectF&) override {}
    void drawTiledPixmap(const QRectF&, const QPixmap&, const QPointF&) override {}
    void drawImage(const QRectF&, const QImage&, const QRectF&, Qt::ImageConversionFlags) override {}
    void drawPath(const QPainterPath&) override {}
    void drawPolygon(const QPointF*, int, PolygonDrawMode) override {}
    void drawPolygon(const QPoint*, int, PolygonDrawMode) override {}
    void drawLines(const QLineF*, int) override {}
    void drawLines(const QLine*, int) override {}
    void drawRects(const QRectF*, int) override {}
    void drawRects(const QRect*, int) override {}
    void drawEllipse(const QRectF&) override {}
    void drawEllipse(const QRect&) override {}
    void drawPoints(const QPointF*, int) override {}
    void drawPoints(const QPoint*, int) override {}
    void drawTextItem(const QPointF& p, const QTextItem& item) override {
        const QRectF box(p.x(), p.y() - item.ascent(), item.width(), item.ascent() + item.descent());
        const QRectF at = transform_.mapRect(box);
        const QPainter* painter = this->painter();
        const QRectF clip = painter->hasClipping() ? transform_.mapRect(painter->clipBoundingRect()) : at;
        texts.push_back({item.text(), at, at.intersected(clip)});
    }
    Type type() const override { return User; }

private:
    QTransform transform_;
};

class TextDevice : public QPaintDevice {
public:
    explicit TextDevice(const QWidget& like) : like_(like) {}
    QPaintEngine* paintEngine() const override { return &engine_; }
    std::vector<PaintedText>& texts() { return engine_.texts; }

protected:
    int metric(PaintDeviceMetric m) const override {
        switch (m) {
            case PdmWidth:
                return like_.width();
            case PdmHeight:
                return like_.height();
            case PdmDevicePixelRatio:
                return 1;
            case PdmDevicePixelRatioScaled:
                return static_cast<int>(devicePixelRatioFScale());
            case PdmDepth:
                return 32;
            case PdmDpiX:
            case PdmPhysicalDpiX:
                return like_.logicalDpiX();
            case PdmDpiY:
            case PdmPhysicalDpiY:
                return like_.logicalDpiY();
            default:
                return 0;
        }
    }

private:
    const QWidget& like_;
    mutable TextEngine engine_;
};

/// Of the widget itself, without those in it.
inline std::vector<PaintedText> painted_texts(QWidget& w) {
    TextDevice device(w);
    w.render(&device, QPoint(), QRegion(), QWidget::RenderFlags());
    return std::move(device.texts());
}

}  // namespace yemvo::app::test
