// SPDX-License-Identifier: GPL-3.0-or-later
// The spectrum board under the hand: blocks are chosen, dragged to other channels and drawn wider.
#pragma once
#include <QPixmap>
#include <QWidget>
#include <map>
#include <optional>

#include "app/model/tuning.h"
#include "render/spectrum_board.h"

namespace yemvo::app {

struct SpectrumNow;
class Workspace;

enum class StackedBy { floor, access_point };

class BoardView : public QWidget {
    Q_OBJECT
public:
    explicit BoardView(Workspace&, QWidget* parent = nullptr);
    void stack_by(StackedBy);
    void fill_by_use(bool);
    void show_this_floor_only(bool);
    /// Kept free right of the first lane, for a list.
    void keep_beside(double px);
    QRectF beside() const { return layout_ ? layout_->beside() : QRectF(); }
    const render::Board& board() const { return board_; }
    const render::BoardLayout& arranged() const { return *layout_; }
    /// Of each block; a neighbour's has no access point.
    const std::vector<RadioRef>& radios() const { return refs_; }
    /// What is dragged, in words; empty while nothing is.
    /// Neighbours that the board leaves out.
    int unshown() const { return unshown_; }
    QString drag_words() const { return drag_ ? drag_->words : QString(); }

signals:
    void arranged_anew();

protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void showEvent(QShowEvent*) override;
    void changeEvent(QEvent*) override;
    bool event(QEvent*) override;

private:
    struct Dragged {
        RadioRef radio;
        Channel channel;
        int primary;
        bool open;
        std::vector<OpenChannel> permitted;
    };
    struct Drag {
        std::size_t block;
        render::BoardHit::Part part;
        QPointF from;
        int merge_key;
        bool moved = false;
        std::vector<Dragged> all;  ///< that under the hand first
        QString words;
    };
    void refresh();
    void arrange();
    void begin_drag(const render::BoardHit&, QPointF);
    void drag_to(QPointF, bool any_channel);
    void tell_drag(const OpenChannel& wanted, bool barred);
    void cancel_drag();
    const QPixmap& ground();
    void step(int direction);
    void widen(int direction);
    void choose_next(int direction);
    void pick(std::size_t block, Qt::KeyboardModifiers);
    QString words_of(std::size_t block) const;
    QString neighbour_words(std::uint32_t radio) const;
    bool is_neighbour(std::size_t block) const { return !refs_[block].access_point; }
    void add_neighbours(const SpectrumNow&, std::map<std::uint32_t, std::size_t>& block_of);
    Workspace& workspace_;
    StackedBy stacked_ = StackedBy::floor;
    bool by_use_ = false, this_floor_ = false, old_ = true;
    double beside_px_ = 0;
    render::Board board_;
    std::vector<RadioRef> refs_;
    std::vector<std::uint32_t> radio_of_;  ///< of each block: its index in the air
    int unshown_ = 0;                      ///< neighbours that are too weak or too many
    std::optional<render::BoardLayout> layout_;
    std::optional<Drag> drag_;
    QPixmap ground_;  ///< all but the chosen blocks and the ties
    QPixmap bare_;    ///< without any blocks
    std::size_t ground_of_ = 0, bare_of_ = 0;
};

}  // namespace yemvo::app
