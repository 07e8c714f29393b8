// SPDX-License-Identifier: GPL-3.0-or-later
// The table of the proof: requirement by requirement, for the venue and each of its floors or zones, band by
// band.
#pragma once
#include <QWidget>
#include <optional>
#include <vector>

#include "app/model/results.h"
#include "app/model/workspace.h"

class QScrollBar;

namespace yemvo::app {

class ProofTable : public QWidget {
    Q_OBJECT
public:
    enum class Columns { floors, zones };

    explicit ProofTable(Workspace&, QWidget* parent = nullptr);
    void set_columns(Columns);
    Columns columns() const { return columns_; }
    /// As text with tabs, for a spreadsheet.
    QString text() const;
    /// What stands in a figure's place: "97.9", "–" where nothing is asked.
    QString figure_text(int row, int place, BandId) const;
    /// Where that is painted, for tests.
    QRect figure_rect(int row, int place, BandId) const;
    QRect title_rect(int row) const;
    int row_of(RequirementId) const;                                  ///< -1: none
    int row_count() const { return static_cast<int>(rows_.size()); }  ///< the last is all of them
    int place_count() const { return static_cast<int>(places_.size()); }
    QString place_name(int place) const { return places_[static_cast<std::size_t>(place)].name; }
    QSize sizeHint() const override;

protected:
    void showEvent(QShowEvent*) override;
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void leaveEvent(QEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    bool event(QEvent*) override;

private:
    struct Place {
        QString name;
        FloorId floor;  ///< 0: the whole venue
        ZoneId zone;
    };
    struct Row {
        enum class Kind { group, requirement, uplink, all } kind;
        std::size_t index;  ///< into the verdict's requirements
        QString title;
        QString set;  ///< where several ask the same
    };
    struct Figure {
        double share;
        Outcome outcome;
    };
    /// Row, place and index into the bands shown.
    struct Cell {
        int row, place, band;
        friend bool operator==(const Cell&, const Cell&) = default;
    };
    void refresh();
    void add_rows(LensGroup);
    void find_places();
    const RequirementResult& result(const Row& row) const {
        return workspace_.results().verdict()->requirements[row.index];
    }
    const PlaceResult* at(const RequirementResult&, const Place&) const;
    std::optional<Figure> figure(const Row&, const Place&, BandId) const;
    std::optional<Cell> cell_at(QPoint) const;
    int row_at(int y) const;
    int row_top(int row) const;
    int places_left() const;
    int place_width() const;
    int place_x(int place) const;
    void go(const Cell&);
    void move_cursor(int rows, int cells);
    QString uplink_limit() const;
    QString uplink_words() const;
    void paint_head(QPainter&) const;
    void paint_row(QPainter&, int row) const;
    void paint_figure(QPainter&, const QRect&, const std::optional<Figure>&, bool strong, bool joined) const;
    std::size_t joined_with(const Row&, std::size_t band) const;
    void paint_figures(QPainter&, int row) const;
    Workspace& workspace_;
    QScrollBar* scroll_;
    Columns columns_ = Columns::floors;
    std::vector<Row> rows_;
    int title_width_ = 0;  ///< as the longest name of a lens needs
    std::vector<Place> places_;
    std::vector<BandId> bands_;
    std::optional<Cell> hovered_, cursor_;
};

}  // namespace yemvo::app
