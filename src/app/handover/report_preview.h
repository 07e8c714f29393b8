// SPDX-License-Identifier: GPL-3.0-or-later
// The pages of a report as they will be printed, side by side; painted behind the window as they come into
// view.
#pragma once
#include <QAbstractScrollArea>
#include <QImage>
#include <map>
#include <memory>

#include "app/behind/behind.h"
#include "render/report/facts.h"
#include "render/report/pages.h"

namespace yemvo::app {

/// A report as it is laid out; what its pages paint from lives as long as they do.
struct LaidReport {
    std::shared_ptr<const render::report::ReportFacts> facts;
    render::report::Report report;
    render::report::Pages pages;
};

class ReportPreview : public QAbstractScrollArea {
    Q_OBJECT
public:
    explicit ReportPreview(QWidget* parent = nullptr);
    void show_report(std::shared_ptr<const LaidReport>);
    const std::shared_ptr<const LaidReport>& report() const { return report_; }
    /// How many stand beside each other: 1 to 4.
    void set_columns(int);
    int columns() const { return columns_; }
    bool is_painting() const { return !behind_.is_idle(); }
    /// Null while it is not painted yet.
    QImage picture(std::size_t page) const;
    /// Where a page stands in the viewport.
    QRect page_rect(std::size_t page) const;
    void go_to(std::size_t page);

signals:
    void failed(const QString& why);  ///< a page could not be painted

protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void scrollContentsBy(int dx, int dy) override;
    void wheelEvent(QWheelEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void showEvent(QShowEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;

private:
    struct Cell {
        double x, y, width, height;
    };
    void arrange();
    void want_pictures();
    void paint_placeholder(QPainter&, const QRectF&) const;
    struct Painted {
        QImage image;
        int generation = 0;
        int width_px = 0;
    };
    std::shared_ptr<const LaidReport> report_;
    std::vector<Cell> cells_;
    std::map<std::size_t, Painted> painted_;
    int generation_ = 0, columns_ = 2;
    Behind behind_;
};

}  // namespace yemvo::app
